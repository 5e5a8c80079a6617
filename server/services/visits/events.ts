import { eq, inArray, sql } from 'drizzle-orm'
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
import { usedUp } from '../shelf/tools'
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
  const kept = taps.some(doesMore)
    ? await database().transaction((tx) => keepAndDo(tx, me, visit, taps))
    : await insertTaps(database(), me, visit, taps)
  if (taps.some(({ body }) => REACTIONS.includes(body.kind))) await noteFollowUp(me, visit)
  if (taps.some(({ body }) => ENDS.includes(body.kind))) await noteBegun(me, visit)
  return { kept, now: Date.now() }
}

interface Kept {
  id: string
  at: number
}
/** The same as it comes from the table: long numbers are text there. */
interface KeptRow extends Record<string, unknown> {
  id: string
  at: string
}
/** Kinds of tap that change more than the list of taps and the tools that wait to be cleaned. */
const DO_MORE: readonly string[] = ['started', 'finished', 'amountTaken', 'reading']
const doesMore = ({ body }: Tap): boolean => DO_MORE.includes(body.kind)

/** Taps, and what follows from them: amounts drawn, a reading, a visit begun or at its end. */
async function keepAndDo(
  tx: Transaction,
  me: Staff,
  visit: Visit,
  taps: readonly Tap[],
): Promise<Kept[]> {
  const kept = await insertTaps(tx, me, visit, taps)
  const has = (kind: Tap['body']['kind']) => taps.some(({ body }) => body.kind === kind)
  if (has('finished'))
    await tx.update(visits).set({ status: 'closing' }).where(eq(visits.id, visit.id))
  if (has('started')) await markBegun(tx, visit)
  if (has('amountTaken')) await drawMeasured(tx, me, visit)
  await keepSecondReading(tx, me, visit, taps)
  return kept
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
  await database().execute(usedUp(visit, keys, new Date()))
}

const REACTIONS: readonly string[] = ['stopped', 'sign', 'redness', 'sensation']

/**
 * Taps and the tools they used in one statement, each once, and whoever watches is told. The visit is
 * held against a seal that is being made at this moment: that sees these taps, or they see the seal.
 * @returns what stands under this visit: an id taken elsewhere is not silently swallowed
 */
async function insertTaps(
  db: Pick<Transaction, 'execute'>,
  me: Staff,
  visit: Visit,
  taps: readonly Tap[],
): Promise<Kept[]> {
  const rows = taps.map(({ id, at, deviceId, seq, planVersion, body }) => ({
    ...{ id, at, body, seq },
    ...{ device_id: deviceId, plan_version: planVersion },
  }))
  const given = JSON.stringify(rows)
  const worked = taps.filter((own) => workedOn(own).length > 0)
  const first = new Date(Math.min(Date.now(), ...worked.map((own) => own.at)))
  const used = sql`used as (${usedUp(visit, worked.flatMap(workedOn), first)}),`
  const fresh = await db.execute<KeptRow>(sql`
    with held as (select id from visits where id = ${visit.id} for share),
    tap as (
      select * from jsonb_to_recordset(${given}::jsonb)
        as tap (id uuid, at bigint, device_id text, seq integer, plan_version integer, body jsonb)
    ),
    ${worked.length > 0 ? used : sql.empty()}
    fresh as (
      insert into visit_events (id, visit_id, at, device_id, seq, plan_version, body, by)
      select tap.id, held.id, at, device_id, seq, plan_version, body, ${me.id}::uuid from held, tap
      on conflict do nothing
      returning id, at
    )
    select id, at, pg_notify('visit', ${visit.id}) from fresh`)
  // A statement sees what stood as it began: what another sent at the same moment is asked for anew.
  const before = fresh.length < taps.length ? await standingTaps(db, visit, taps) : []
  const kept = new Map([...before, ...fresh].map(({ id, at }) => [id, Number(at)]))
  return [...kept].map(([id, at]) => ({ id, at }))
}

/** Those of these taps that stand under this visit. */
const standingTaps = (
  db: Pick<Transaction, 'execute'>,
  visit: Visit,
  taps: readonly Tap[],
): Promise<readonly KeptRow[]> =>
  db.execute<KeptRow>(sql`
    select id, at from visit_events
    where visit_id = ${visit.id} and ${inArray(
      sql`id`,
      taps.map(({ id }) => id),
    )}`)

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
async function drawMeasured(tx: Transaction, me: Staff, visit: Visit): Promise<void> {
  const day = dayIn((await thePractice(tx)).timeZone, Date.now())
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

export const readTaps = (visit: Pick<Visit, 'id'>) => eventsOf(visit.id)
