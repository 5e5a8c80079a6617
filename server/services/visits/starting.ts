import { MINUTE_MS } from '#core/units'
import { eq } from 'drizzle-orm'
import { planHash } from '#core/record/planHash'
import { openPoints } from '#core/visit/ready'
import { plans, visits } from '#db/schema'
import { conflict, refused } from '../../problem/problem'
import type { Visit } from '../access'
import { readBundle } from './bundle'
import { database } from '../database'
import { dayIn } from '../dates'
import { holdVisit, toldCount } from './holding'
import { hoursAround, wordsInTheWay } from '../day/inTheWay'
import { draftOf } from './planning'
import type { Staff } from '../session/session'

/**
 * A visit that is begun on another day than it is booked for is moved to now first: everything that
 * is reckoned for it, rests, load, age, patch tests, is reckoned for the day it really is.
 * @returns the visit as it stands then
 */
async function onItsDay(visit: Visit): Promise<Visit> {
  const now = new Date(Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS)
  const hours = await hoursAround(now)
  if (dayIn(hours.timeZone, visit.startsAt) === dayIn(hours.timeZone, now)) return visit
  const { id, clientId, staffId, roomId, minutes } = visit
  return database().transaction(async (tx) => {
    const held = await holdVisit(tx, id)
    if (held.status !== 'booked' || held.version !== visit.version) return held
    const wanted = { id, clientId, staffId, roomId, minutes, startsAt: now }
    // Whoever is there is treated: what is in the way is kept beside it and keeps nobody out.
    const words = await wordsInTheWay(tx, wanted, hours)
    const allowedBecause = words === '' ? null : `treated on another day than booked. ${words}`
    const [moved] = await tx
      .update(visits)
      .set({ startsAt: now, allowedBecause, version: held.version + 1 })
      .where(eq(visits.id, id))
      .returning()
    return moved ?? held
  })
}

/** The plan as it stands when somebody asks to begin: what comes after that was not looked at. */
async function draftHash(visitId: string): Promise<string | undefined> {
  const draft = await database().transaction((tx) => draftOf(tx, visitId))
  return draft?.steps ? planHash(draft.steps) : undefined
}

/**
 * Freezes version 1. Whatever is still open is named: answers, consent, reading, stops in the plan,
 * the countersign. What is told while this is looked at is looked at too, or the start waits.
 */
export async function startTreatment(me: Staff, booked: Visit): Promise<void> {
  if (booked.status === 'cancelled') throw refused('This visit was cancelled.')
  if (booked.status !== 'booked') return
  const looked = await draftHash(booked.id)
  const visit = await onItsDay(booked)
  const told = await toldCount(database(), visit)
  const bundle = await readBundle(me, visit)
  const open = openPoints(bundle)
  const moved = visit.startsAt.getTime() !== booked.startsAt.getTime()
  if (open.length > 0)
    throw refused(
      `Not started. ${moved ? 'The visit was moved to today. ' : ''}${open.map((point) => point.text).join(' ')}`,
      open.map((point) => ({ field: point.stop, given: 'open', allowed: point.text })),
    )
  await database().transaction(async (tx) => {
    const now = await holdVisit(tx, visit.id)
    if (now.status === 'cancelled') throw refused('This visit was cancelled.')
    if (now.status !== 'booked') return
    const draft = await draftOf(tx, visit.id)
    const seen = bundle.plans.find((plan) => plan.version === 0)
    if (!draft?.steps || !seen) throw refused('There is no plan yet.')
    if (
      now.version !== visit.version ||
      planHash(draft.steps) !== planHash(seen.steps) ||
      planHash(draft.steps) !== looked ||
      (await toldCount(tx, visit)) !== told
    )
      throw conflict('An answer or the plan has just changed. Check it, then begin.')
    const { steps, basins, countersignedBy, countersignedHash, countersignedAt } = draft
    const { protocolId, protocolVersion } = draft
    const signed = { countersignedBy, countersignedHash, countersignedAt }
    const frozen = { version: 1, steps, basins, reason: 'as planned', by: draft.by }
    await tx
      .insert(plans)
      .values({ visitId: visit.id, ...frozen, ...signed, protocolId, protocolVersion })
    await tx
      .update(visits)
      .set({ status: 'treating', begunAt: new Date(), version: now.version + 1 })
      .where(eq(visits.id, visit.id))
  })
}
