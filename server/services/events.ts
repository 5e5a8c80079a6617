import { and, eq, inArray, sql } from 'drizzle-orm'
import type { z } from 'zod'
import type { treatmentEvent } from '#contracts/visit'
import type { TreatmentEvent } from '#core/treatment/events'
import { fold } from '#core/treatment/fold'
import { foldContext, toPlanInput } from '#core/visit/planInput'
import { addDays } from '#core/screening/days'
import { followUps, visitEvents, visits } from '#db/schema'
import { refused } from '../problem/problem'
import type { Visit } from './access'
import { eventsOf } from './past'
import { readBundle } from './bundle'
import { database } from './database'
import type { Staff } from './session'

type Tap = z.infer<typeof treatmentEvent>

/**
 * Keeps taps, each once: the same tap sent again is acknowledged and not doubled. Acknowledged
 * means committed.
 * Another server's tablets are told through the database.
 */
export async function keepTaps(me: Staff, visit: Visit, taps: Tap[]): Promise<{ kept: string[] }> {
  if (visit.status === 'booked') throw refused('The treatment has not been started.')
  if (visit.status === 'cancelled') throw refused('This visit was cancelled.')
  const kept = await database().transaction(async (tx) => {
    // Held against a seal being made at this moment: it sees this tap, or this tap sees the seal.
    await tx.select({ id: visits.id }).from(visits).where(eq(visits.id, visit.id)).for('share')
    await tx
      .insert(visitEvents)
      .values(
        taps.map((tap) => ({
          id: tap.id,
          visitId: visit.id,
          at: tap.at,
          deviceId: tap.deviceId,
          seq: tap.seq,
          planVersion: tap.planVersion,
          body: tap.body as TreatmentEvent['body'],
          by: me.id,
        })),
      )
      .onConflictDoNothing()
    if (taps.some((tap) => tap.body.kind === 'finished'))
      await tx.update(visits).set({ status: 'closing' }).where(eq(visits.id, visit.id))
    await tx.execute(sql`select pg_notify('visit', ${visit.id})`)
    // Only what stands under this visit is acknowledged: an id taken elsewhere is not silently
    // swallowed.
    return tx
      .select({ id: visitEvents.id })
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
  if (
    taps.some(
      (tap) =>
        tap.body.kind === 'stopped' ||
        tap.body.kind === 'sign' ||
        tap.body.kind === 'redness' ||
        tap.body.kind === 'sensation',
    )
  )
    await noteFollowUp(me, visit)
  return { kept: kept.map((event) => event.id) }
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
      dueOn: addDays(bundle.today, 1),
      reason: `Call after a stop: ${state.stopped.reason}`,
    })
    .onConflictDoNothing()
}

export const readTaps = (visit: Visit) => eventsOf(visit.id)
