import postgres from 'postgres'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { EventBody } from '#core/treatment/taps/events'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import { GROUPS } from '#core/face/regions'
import type { RegionId } from '#core/face/zones'
import { minutes } from '#core/units'
import { asOwner } from './house'
import { bundleOf, STAFF, tap, treating } from './visit'

/** A step of its usual minutes with a bottle of the house. */
export type Wanted = readonly [TechniqueId, (readonly RegionId[])?]

/**
 * Puts other steps in front of a treatment that runs, so that a screen is seen which the planner would
 * not make for this client: written by the tables' owner, past the planner.
 * @returns the steps, in their order
 */
export async function withSteps(id: string, wanted: readonly Wanted[]): Promise<PlanStep[]> {
  return placePlan(
    id,
    wanted.map(([technique, regions], place): PlanStep => {
      const own = TECHNIQUES[technique]
      return {
        key: `${technique}-8${place}`,
        technique,
        minutes: minutes(own.minutes.choices[0] ?? own.minutes.least),
        regions: regions ?? GROUPS[own.groups[0] ?? 'body'],
        why: [],
        ...(own.passes ? { passes: 1 } : {}),
        ...(own.setting ? { setting: own.setting.start } : {}),
      }
    }),
  )
}

/**
 * The same with steps that were planned elsewhere, each with the house's own bottle of its kind.
 * @returns the steps, in their order
 */
export async function placePlan(id: string, planned: readonly PlanStep[]): Promise<PlanStep[]> {
  const owner = await asOwner()
  const { shelf } = await bundleOf(owner, id)
  const steps = planned.map(({ productId: _, ...step }): PlanStep => {
    const { product: kind } = TECHNIQUES[step.technique]
    const bottle = shelf.find(({ product }) => product.kind === kind)
    return { ...step, ...(bottle ? { productId: bottle.product.id } : {}) }
  })
  const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1, onnotice: () => {} })
  await db`insert into plans (visit_id, version, steps, reason, by)
    values (${id}, 2, ${db.json(steps as never)}, 'for this test', ${STAFF.owner})`
  await db.end()
  await tell(id, { kind: 'replanned', version: 2, reason: 'for this test' })
  return steps
}

/** Taps as another tablet would send them, so many minutes ago. */
export async function tell(id: string, body: EventBody, minutesAgo = 0): Promise<void> {
  const reply = await (
    await asOwner()
  )(`/api/visits/${id}/events`, {
    method: 'POST',
    body: { events: [tap(body, Date.now() - minutesAgo * 60_000, { planVersion: 2 })] },
  })
  if (reply.status !== 200) throw new Error(reply.text)
}
export const done = (step: PlanStep): EventBody => ({ kind: 'stepDone', key: step.key, cue: true })

const MINUTE_MS = 60_000
/** Under way since forty minutes, with an acid mask laid, rested and taken off; not finished. */
export async function withAcid(client: string): Promise<{ id: string; began: number }> {
  const call = await asOwner()
  const id = await treating(call, 'owner', client)
  const steps = await withSteps(id, [
    ...([['milk'], ['acidMask'], ['stay']] as const),
    ...([['maskOff'], ['moisturiser']] as const),
  ])
  const began = Date.now() - 45 * MINUTE_MS
  const events = [
    tap({ kind: 'started' }, began),
    ...steps.map((step, i) => tap(done(step), began + (i + 1) * 8 * MINUTE_MS, { planVersion: 2 })),
  ]
  const sent = await call(`/api/visits/${id}/events`, { method: 'POST', body: { events } })
  if (sent.status !== 200) throw new Error(sent.text)
  return { id, began }
}
