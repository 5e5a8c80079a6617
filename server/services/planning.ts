import { and, eq, max } from 'drizzle-orm'
import { toPlanInput } from '#core/visit/planInput'
import { openPoints } from '#core/visit/ready'
import { checkPlan, type PlanFinding } from '#core/planning/checks/check'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { canonical, type Json } from '#core/record/canonical'
import { plans, visits } from '#db/schema'
import { conflict, refused } from '../problem/problem'
import type { Visit } from './access'
import { readBundle } from './bundle'
import { database } from './database'
import type { Staff } from './session'

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
 * Saves the draft. A plan that breaks a locked rule is refused with the rule; nothing is changed
 * then.
 */
export async function saveDraft(
  me: Staff,
  visit: Visit,
  steps: PlanStep[],
  from: { id: string; version: number } | null,
): Promise<void> {
  if (visit.status !== 'booked')
    throw refused(
      'Treatment has begun: the first version is frozen. Change what is left from the room.',
    )
  const bundle = await readBundle(me, visit)
  const locked = checkPlan(toPlanInput(bundle), steps).findings.filter(
    (finding) => finding.strength === 'stop' && finding.locked,
  )
  if (locked.length > 0)
    throw refused(
      `Not saved: ${locked[0]?.text ?? ''}. The plan on your screen is kept.`,
      said(locked),
    )
  await database()
    .insert(plans)
    .values({ visitId: visit.id, version: 0, steps, by: me.id, ...madeFrom(from) })
    .onConflictDoUpdate({
      target: [plans.visitId, plans.version],
      set: { steps, by: me.id, at: new Date(), countersignedBy: null, ...madeFrom(from) },
    })
}

export async function countersign(me: Staff, visit: Visit): Promise<void> {
  const done = await database()
    .update(plans)
    .set({ countersignedBy: me.id })
    .where(and(eq(plans.visitId, visit.id), eq(plans.version, 0)))
    .returning({ v: plans.version })
  if (done.length === 0) throw refused('There is no plan to countersign yet.')
}

/**
 * Freezes version 1. Whatever is still open is named: answers, consent, reading, stops in the plan,
 * the countersign.
 */
export async function startTreatment(me: Staff, visit: Visit): Promise<void> {
  if (visit.status !== 'booked') return
  const bundle = await readBundle(me, visit)
  const open = openPoints(bundle)
  if (open.length > 0)
    throw refused(
      `Not started: ${open.map((point) => point.text).join(' ')}`,
      open.map((point) => ({ field: point.stop, given: 'open', allowed: point.text })),
    )
  await database().transaction(async (tx) => {
    const [draft] = await tx
      .select()
      .from(plans)
      .where(and(eq(plans.visitId, visit.id), eq(plans.version, 0)))
    if (!draft) throw refused('There is no plan yet.')
    await tx
      .insert(plans)
      .values({
        visitId: visit.id,
        version: 1,
        steps: draft.steps,
        reason: 'as planned',
        by: me.id,
        countersignedBy: draft.countersignedBy,
        protocolId: draft.protocolId,
        protocolVersion: draft.protocolVersion,
      })
      .onConflictDoNothing()
    await tx
      .update(visits)
      .set({ status: 'treating', version: visit.version + 1 })
      .where(eq(visits.id, visit.id))
  })
}

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
  if (visit.status !== 'treating') throw refused('A new version is made during treatment only.')
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
      finding.rule !== 'over-tolerance' &&
      !(finding.key !== undefined && done.has(finding.key)) &&
      !(stopped && finding.key === undefined),
  )
  if (locked.length > 0) throw refused(`Not saved: ${locked[0]?.text ?? ''}.`, said(locked))
  const [latest] = await database()
    .select({ v: max(plans.version) })
    .from(plans)
    .where(eq(plans.visitId, visit.id))
  const [same] = await database()
    .select()
    .from(plans)
    .where(and(eq(plans.visitId, visit.id), eq(plans.version, version)))
  if (same) {
    if (canonical(same.steps as unknown as Json) === canonical(steps as unknown as Json)) return
    throw conflict('Another tablet has just changed the plan. Its version is shown now.')
  }
  if (version !== (latest?.v ?? 0) + 1)
    throw conflict('Another tablet has just changed the plan. Its version is shown now.')
  await database().insert(plans).values({ visitId: visit.id, version, steps, reason, by: me.id })
}
