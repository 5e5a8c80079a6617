import { and, eq, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { countersignPost, planPut } from '#contracts/visit'
import { toPlanInput } from '#core/visit/planInput'
import { basinsOf } from '#core/planning/checks/basins'
import { checkPlan, type PlanFinding } from '#core/planning/checks/check'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { deviceTimes } from '#core/timing/diary'
import { clashesOf } from '#core/timing/sharedDevices'
import { planHash } from '#core/record/planHash'
import { plans } from '#db/schema'
import { conflict, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { readBundle } from './bundle'
import { database, type Transaction } from '../database'
import { devicesInUse, holdDevices } from '../day/deviceUse'
import { refuseStrangeWays } from '../house/ownWays'
import { thePractice } from '../practice'
import { holdFor, holdVisit, mustAccept, unsign } from './holding'
import type { Staff } from '../session/session'

const said = (findings: readonly PlanFinding[]) =>
  findings.map((finding) => ({
    field: finding.key ?? 'plan',
    given: finding.rule,
    allowed: finding.text,
  }))

const madeFrom = (from: { id: string; version: number } | null) => ({
  protocolId: from?.id ?? null,
  protocolVersion: from?.version ?? null,
})

/**
 * Saves the draft. A plan that breaks a locked rule is refused with the rule, and one that changes
 * what its maker has not seen is refused too; nothing is changed then.
 */
export async function saveDraft(
  me: Staff,
  visit: Visit,
  { steps, seen, protocol }: z.infer<typeof planPut>,
): Promise<void> {
  const input = toPlanInput(await readBundle(me, visit))
  await refuseStrangeWays(steps)
  const locked = checkPlan(input, steps).findings.filter(
    (finding) => finding.strength === 'stop' && finding.locked,
  )
  const basins = basinsOf(input, steps)
  const { timeZone } = await thePractice()
  await database().transaction(async (tx) => {
    await holdDevices(tx)
    const now = await holdFor(tx, visit.id, 'plan', 'update')
    if (locked.length > 0)
      throw refused(
        `Not saved: ${locked[0]?.text ?? ''}. The plan on your screen is kept.`,
        said(locked),
      )
    // A room may have planned the device while this plan was looked at.
    const [taken] = clashesOf(deviceTimes(steps), await devicesInUse(tx, now, timeZone))
    if (taken) {
      const words = `The ${taken.by.name} is ${taken.by.words}`
      throw refused(`Not saved: ${words}. The plan on your screen is kept.`, [
        { field: taken.wanted.key, given: 'device-taken', allowed: words },
      ])
    }
    const there = await draftOf(tx, visit.id)
    const stands = there?.steps ? planHash(there.steps) : null
    // The same plan sent twice is saved once.
    if (stands === planHash(steps) && sameProtocol(there, protocol)) return
    if (stands !== seen) throw conflict('A colleague has changed this plan.')
    const row = { steps, basins, by: me.id, ...madeFrom(protocol) }
    await tx
      .insert(plans)
      .values({ visitId: visit.id, version: 0, ...row })
      .onConflictDoUpdate({
        target: [plans.visitId, plans.version],
        set: { ...row, at: new Date() },
      })
    await unsign(tx, visit.id, 'plan')
  })
}

type Draft = typeof plans.$inferSelect
const sameProtocol = (draft: Draft | undefined, from: { id: string; version: number } | null) =>
  draft?.protocolId === (from?.id ?? null) && draft.protocolVersion === (from?.version ?? null)
export async function draftOf(tx: Transaction, visitId: string): Promise<Draft | undefined> {
  const [draft] = await tx
    .select()
    .from(plans)
    .where(and(eq(plans.visitId, visitId), eq(plans.version, 0)))
  return draft
}

/** Signs what was seen: a plan that has become another one meanwhile is not signed. */
export async function countersign(
  me: Staff,
  visit: Visit,
  { version, hash }: z.infer<typeof countersignPost>,
): Promise<void> {
  await database().transaction(async (tx) => {
    await holdVisit(tx, visit.id)
    const [plan] = await tx
      .select()
      .from(plans)
      .where(and(eq(plans.visitId, visit.id), eq(plans.version, version)))
    if (!plan?.steps) throw refused('There is no plan to countersign yet.')
    if (planHash(plan.steps) !== hash)
      throw conflict('The plan was changed. Check it once more, then sign.')
    if (version > 0 && plan.countersignedBy) return
    await tx
      .update(plans)
      .set({ countersignedBy: me.id, countersignedHash: hash, countersignedAt: new Date() })
      .where(and(eq(plans.visitId, visit.id), eq(plans.version, version)))
    await tx.execute(sql`select pg_notify('visit', ${visit.id}::text)`)
  })
}

/** What a treatment that runs may have come to, and has to be told as it is. */
const HAPPENED: readonly string[] = ['over-tolerance', 'device-taken']

/**
 * A later version during treatment. The number is claimed by whoever is first; the other tablet is
 * told.
 */
export async function saveVersion(
  me: Staff,
  visit: Visit,
  version: number,
  reason: string,
  steps: PlanStep[],
): Promise<void> {
  mustAccept(visit, 'version')
  await refuseStrangeWays(steps)
  const bundle = await readBundle(me, visit)
  const stopped = bundle.events.some(
    (event) => event.body.kind === 'stopped' || event.body.kind === 'sign',
  )
  const done = new Set(
    bundle.events.flatMap((event) =>
      event.body.kind === 'stepDone' || event.body.kind === 'stepSkipped' ? [event.body.key] : [],
    ),
  )
  const locked = checkPlan(toPlanInput(bundle), steps).findings.filter(
    (finding) =>
      finding.strength === 'stop' &&
      finding.locked &&
      !HAPPENED.includes(finding.rule) &&
      !(finding.key !== undefined && done.has(finding.key)) &&
      !(stopped && finding.key === undefined),
  )
  if (locked.length > 0) throw refused(`Not saved: ${locked[0]?.text ?? ''}.`, said(locked))
  await database().transaction(async (tx) => {
    await holdFor(tx, visit.id, 'version', 'update')
    const made = await tx
      .select({ version: plans.version, steps: plans.steps })
      .from(plans)
      .where(eq(plans.visitId, visit.id))
    const same = made.find((plan) => plan.version === version)
    if (same?.steps && planHash(same.steps) === planHash(steps)) return
    if (version !== Math.max(...made.map((plan) => plan.version)) + 1)
      throw conflict('Another tablet has just changed the plan. Its version is shown now.')
    await tx.insert(plans).values({ visitId: visit.id, version, steps, reason, by: me.id })
  })
}
