import { and, eq, inArray, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { treatmentEvent } from '#core/treatment/taps/eventShapes'
import { fold } from '#core/treatment/fold/fold'
import { toPlanInput } from '#core/visit/planInput'
import { stepsDone } from '#core/visit/record'
import { foldContext } from '#core/visit/roomContext'
import { addDays } from '#core/screening/asking/days'
import { followUps, readings, visitEvents, visits } from '#db/schema'
import { ProblemError } from '../../problem/problem'
import type { Visit } from '../access'
import { eventsOf } from '../people/sealedPast'
import { readBundle } from './bundle'
import { database, type Transaction } from '../database'
import { dayIn } from '../dates'
import { thePractice } from '../practice'
import { byBottle, measured, settleUsed } from '../shelf/settleUsed'
import { noteUsed } from '../shelf/tools'
import type { Staff } from '../session/session'
import { mustAccept } from './holding'

type Tap = z.infer<typeof treatmentEvent>

/** A device whose clock differs by no more is taken at its word. */
const SKEW_MS = 2000
/** Later than this no tap can have been made. */
const AHEAD_MS = 60_000

/**
 * Taps by the house's clock: what a device calls now is held against the moment its taps arrive, and
 * every one of them is moved by the difference.
 * @throws ProblemError 422 for a tap that is still to come
 */
function byTheHouse(taps: readonly Tap[], sentAt: number | undefined): Tap[] {
  const now = Date.now()
  if (sentAt !== undefined) {
    const skew = Math.abs(now - sentAt) > SKEW_MS ? now - sentAt : 0
    // What was sent was tapped before: nothing of it can lie ahead.
    return taps.map((tap) => ({ ...tap, at: Math.min(tap.at + skew, now) }))
  }
  const late = taps.find((tap) => tap.at > now + AHEAD_MS)
  if (late)
    throw new ProblemError(
      422,
      'Not yet',
      'A tap is dated in the future: check the clock of this device.',
      [{ field: 'events', given: String(late.at), allowed: 'a moment that has been' }],
    )
  return [...taps]
}

/**
 * Keeps taps, each once: the same tap sent again is acknowledged and not doubled. Acknowledged
 * means committed.
 * Another server's tablets are told through the database.
 */
export async function keepTaps(
  me: Staff,
  visit: Visit,
  given: readonly Tap[],
  sentAt: number | undefined,
): Promise<{ kept: { id: string; at: number }[]; now: number }> {
  mustAccept(visit, 'taps')
  const taps = byTheHouse(given, sentAt)
  const day = dayIn((await thePractice()).timeZone, Date.now())
  const kept = await database().transaction(async (tx) => {
    // Held against a seal being made at this moment: it sees this tap, or this tap sees the seal.
    await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, visit.id)).for('share')
    await insertTaps(tx, me, visit, taps)
    const worked = taps.filter((own) => workedOn(own).length > 0)
    const first = Math.min(Date.now(), ...worked.map((own) => own.at))
    await noteUsed(tx, visit, worked.flatMap(workedOn), new Date(first))
    if (taps.some((tap) => tap.body.kind === 'finished'))
      await tx.update(visits).set({ status: 'closing' }).where(eq(visits.id, visit.id))
    if (taps.some((tap) => tap.body.kind === 'started')) await markBegun(tx, visit)
    if (taps.some((tap) => tap.body.kind === 'amountTaken')) await drawMeasured(tx, me, visit, day)
    await tx.execute(sql`select pg_notify('visit', ${visit.id})`)
    // Only what stands under this visit is acknowledged: an id taken elsewhere is not silently
    // swallowed.
    await keepSecondReading(tx, me, visit, taps)
    return tx
      .select({ id: visitEvents.id, at: visitEvents.at })
      .from(visitEvents)
      .where(
        and(
          eq(visitEvents.visitId, visit.id),
          inArray(
            visitEvents.id,
            taps.map((tap) => tap.id),
          ),
        ),
      )
  })
  if (taps.some(({ body }) => REACTIONS.includes(body.kind))) await noteFollowUp(me, visit)
  if (taps.some(({ body }) => ENDS.includes(body.kind))) await noteBegun(me, visit)
  return { kept, now: Date.now() }
}

const ENDS: readonly string[] = ['stopped', 'finished']
/** Taps that are made with the tool of their step on the skin. */
const WORKED: readonly string[] = ['passDone', 'counted', 'calm', 'deviceSaid', 'side']
/** The steps that a tap says were worked on. */
const workedOn = ({ body }: Tap): string[] => {
  if (body.kind === 'stepDone') return [body.key, ...(body.with ?? [])]
  return WORKED.includes(body.kind) && 'key' in body && body.key !== null ? [body.key] : []
}
/** What had begun was done with its tool, tapped or not. */
async function noteBegun(me: Staff, visit: Visit): Promise<void> {
  const bundle = await readBundle(me, visit)
  const state = fold(bundle.events, foldContext(bundle, toPlanInput(bundle)))
  const keys = stepsDone(bundle, state).map(({ key }) => key)
  await database().transaction((tx) => noteUsed(tx, visit, keys))
}

const REACTIONS: readonly string[] = ['stopped', 'sign', 'redness', 'sensation']

async function insertTaps(
  tx: Transaction,
  me: Staff,
  visit: Visit,
  taps: readonly Tap[],
): Promise<void> {
  const rows = taps.map(({ id, at, deviceId, seq, planVersion, body }) => ({
    ...{ id, visitId: visit.id, at, deviceId, seq, planVersion, by: me.id },
    body,
  }))
  await tx.insert(visitEvents).values(rows).onConflictDoNothing()
}

/** A visit began with its first tap, whenever that arrives. */
async function markBegun(tx: Transaction, visit: Visit): Promise<void> {
  await tx
    .update(visits)
    .set({
      begunAt: sql`(select to_timestamp(min(at) / 1000.0) from visit_events where visit_id = ${visit.id} and body->>'kind' = 'started')`,
    })
    .where(eq(visits.id, visit.id))
}

/** What was measured is off the bottle from the tap on, not from the seal. */
async function drawMeasured(tx: Transaction, me: Staff, visit: Visit, day: string): Promise<void> {
  const rows = await tx.select().from(visitEvents).where(eq(visitEvents.visitId, visit.id))
  const events = rows.flatMap(({ body, ...row }) => (body ? [{ ...row, body }] : []))
  await settleUsed(tx, await byBottle(tx, measured(events)), { by: me.id, visitId: visit.id, day })
}

/** The second reading comes as a tap: it is in the file with it, however late the tap arrives. */
async function keepSecondReading(
  tx: Transaction,
  me: Staff,
  visit: Visit,
  taps: readonly Tap[],
): Promise<void> {
  const read = taps.flatMap(({ id, at, body }) =>
    body.kind === 'reading'
      ? [
          {
            id,
            at: new Date(at),
            visitId: visit.id,
            clientId: visit.clientId,
            phase: 'bare' as const,
            zones: body.zones,
            by: me.id,
          },
        ]
      : [],
  )
  if (read.length > 0) await tx.insert(readings).values(read).onConflictDoNothing()
}

/** A stop asks for a call the next day. */
async function noteFollowUp(me: Staff, visit: Visit): Promise<void> {
  const bundle = await readBundle(me, visit)
  const state = fold(bundle.events, foldContext(bundle, toPlanInput(bundle)))
  if (!state.stopped) return
  await database()
    .insert(followUps)
    .values({
      id: crypto.randomUUID(),
      visitId: visit.id,
      dueOn: addDays(dayIn(bundle.practice.timeZone, state.stopped.at), 1),
      reason: `Call after a stop: ${state.stopped.reason}`,
    })
    .onConflictDoNothing()
}

export const readTaps = (visit: Visit) => eventsOf(visit.id)
