import type { VisitBundle } from '#core/visit/bundle'
import { withHalves } from '#core/visit/halves'
import { SCHOOL_IDS, type SchoolId } from '#core/catalogue/schools/schools'
import { overlay, type Readings } from '#core/skin/readings'
import { visitRights, type Visit } from '../access'
import { bundleRows, type BundleRows } from './bundleRows'
import { careOf } from '../people/careOf'
import { lastAsked } from '../after/asked'
import { fromClient } from './clientLink'
import { database } from '../database'
import { devicesInUse } from '../day/deviceUse'
import { ageOn, dayIn } from '../dates'
import { metersOf } from './meters'
import { offeredProtocols, policyNow } from '../house/method'
import { waysNow } from '../house/ownWays'
import { momentOf } from './moment'
import { nextBooked } from './nextVisit'
import { eventsOf } from '../people/sealedPast'
import { scopeIn } from '../house/policy'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { halvesOf } from '../shelf/halves'
import { readShelf } from '../shelf/shelf'
import { heldFor } from '../shelf/tools'
import { laidFor } from './laying'

type House = Awaited<ReturnType<typeof thePractice>>
/** A visit by itself: what earlier ones have left is not in it. */
export type BareBundle = Omit<VisitBundle, 'past' | 'poured' | 'lastTime' | 'learned'>

/** Everything of one visit but what earlier ones have left. Rights are checked by the caller. */
export async function readBare(me: Staff, visit: Visit): Promise<BareBundle> {
  const house = await thePractice()
  const at = momentOf(visit)
  const today = dayIn(house.timeZone, at)
  const openHalves = await halvesOf(visit.clientId, house.timeZone)
  const [rows, shelf, events, may, meters, said, care, work, next, held, laid, inUse] =
    await Promise.all([
      bundleRows(visit),
      readShelf(),
      eventsOf(visit.id),
      mayOf(me, visit),
      metersOf(visit),
      saidBefore(visit),
      careOf(visit),
      workHere(),
      nextOf(visit, at),
      heldFor(visit, today),
      laidFor(visit.id),
      devicesInUse(database(), visit, house.timeZone),
    ])
  return {
    now: Date.now(),
    today,
    visit: visitPart(visit),
    ...peopleParts(rows, house, today),
    may,
    ...toldParts(rows, visit, house),
    ...said,
    ...readParts(rows, visit, house),
    ...care,
    meters,
    ...planParts(rows),
    ...work,
    nextBooked: next,
    shelf: withHalves(shelf, openHalves, { id: visit.id, at: at.getTime() }),
    openHalves,
    devices: devicesAtHand(rows, visit),
    inUse,
    held,
    laid,
    events,
    ...recordParts(rows),
  }
}

/** How this house works: what it has decided, its protocols, its own ways. */
async function workHere(): Promise<Pick<VisitBundle, 'policy' | 'protocols' | 'ways'>> {
  const [policy, protocols, ways] = await Promise.all([policyNow(), offeredProtocols(), waysNow()])
  return { policy, protocols, ways }
}
async function mayOf(me: Staff, visit: Visit): Promise<VisitBundle['may']> {
  const { write, seal, countersign, export: takeOut } = await visitRights(me, visit)
  return { write, seal, countersign, export: takeOut }
}
/** What was said beforehand: by the client on their own device, and of home the last time. */
async function saidBefore(visit: Visit): Promise<Pick<VisitBundle, 'fromClient' | 'homeAsked'>> {
  const [filledIn, home] = await Promise.all([fromClient(visit), lastAsked(visit.clientId)])
  return { fromClient: filledIn, homeAsked: home?.asked ?? null }
}
async function nextOf({ clientId }: Visit, at: Date): Promise<VisitBundle['nextBooked']> {
  const next = await nextBooked(clientId, at, true)
  return next && { id: next.id, startsAt: next.startsAt, room: next.room, staff: next.staff }
}

/** Kinds of device that are ready here: what stands in another room is not at hand in this one. */
const devicesAtHand = ({ deviceRows }: BundleRows, { roomId }: Visit) => [
  ...new Set(
    deviceRows
      .filter(({ ready, roomIds }) => ready && (roomIds.length === 0 || roomIds.includes(roomId)))
      .map(({ kind }) => kind),
  ),
]

const visitPart = (visit: Visit): VisitBundle['visit'] => ({
  id: visit.id,
  startsAt: visit.startsAt.getTime(),
  at: momentOf(visit).getTime(),
  minutes: visit.minutes,
  lateMinutes: visit.lateMinutes,
  makeUp: visit.makeUp,
  evening: visit.evening,
  aims: visit.aims,
  named: visit.named,
  school: asSchool(visit.school),
  status: visit.status,
  version: visit.version,
  recordText: visit.recordText,
  nextVisitAt: visit.nextVisitAt?.getTime() ?? null,
  taken: visit.taken,
})

function peopleParts({ client, holder, room }: BundleRows, house: House, today: string) {
  const scope = scopeIn(holder, house.allows, today)
  return {
    client: {
      id: client.id,
      name: client.name,
      born: client.born,
      age: ageOn(client.born, today),
      work: client.work,
      medicines: client.medicines,
      notes: client.notes,
      preferences: client.preferences,
      faceHeightMm: client.faceHeightMm,
      faceWidthMm: client.faceWidthMm,
    },
    staff: {
      id: holder.id,
      name: holder.name,
      role: holder.role,
      licences: scope.filter((line) => line.counts).map((line) => line.licence),
      scope,
    },
    room: { id: room.id, name: room.name },
    practice: {
      name: house.name,
      address: house.address,
      phone: house.phone,
      emergency: house.emergency,
      timeZone: house.timeZone,
      currency: house.currency,
      cardText: house.cardText,
    },
  } satisfies Partial<VisitBundle>
}

function toldParts({ consultRows, consentRows }: BundleRows, visit: Visit, house: House) {
  const consent = consentRows.find((row) => row.visitId === visit.id)
  const kept = consultRows.filter(
    ({ c: consulted }) => consulted.visitId === visit.id && consulted.answers,
  )
  const here = kept[0]?.c
  const before = consultRows.find(
    ({ c: consulted }) => consulted.visitId !== visit.id && consulted.answers,
  )?.c
  return {
    answers: here?.answers ?? {},
    answered: here !== undefined,
    answerVersions: kept.map(({ c: consulted, by }) => ({ at: consulted.at.getTime(), by })),
    previousAnswers: before?.answers ?? null,
    consent: consent
      ? {
          method: consent.method,
          name: consent.name,
          at: consent.at.getTime(),
          guardian: consent.guardian,
        }
      : null,
    signatures: consentRows.map((row) => ({
      kinds: row.kinds,
      day: dayIn(house.timeZone, row.at),
      guardian: row.guardian,
      at: row.at.getTime(),
    })),
  } satisfies Partial<VisitBundle>
}

/** All readings of one kind are one, the later winning zone by zone. */
const overlaid = (rows: readonly { at: Date; zones: Readings | null }[]): Readings | null => {
  const kept = [...rows].sort((one, other) => one.at.getTime() - other.at.getTime())
  const zones = kept.flatMap((row) => row.zones ?? [])
  return zones.length === 0 ? null : zones.reduce((first, second) => overlay(first, second), {})
}

function readParts({ readingRows, firstReading: first }: BundleRows, visit: Visit, house: House) {
  const mine = readingRows.filter((row) => row.visitId === visit.id)
  const madeUp = mine.filter((row) => row.phase === 'madeUp')
  const bare = mine.filter((row) => row.phase === 'bare')
  const at = momentOf(visit)
  const latest = readingRows.find((row) => row.visitId !== visit.id && row.zones && row.at < at)
  const same = readingRows.filter((row) => row.visitId === latest?.visitId)
  const before = overlaid(same)
  const isBaseline = first && first.visitId !== latest?.visitId && first.visitId !== visit.id
  return {
    readings: { madeUp: overlaid(madeUp), bare: overlaid(bare) },
    whole: { ...madeUp[0]?.whole, ...bare[0]?.whole },
    previousReading:
      latest && before
        ? {
            at: latest.at.getTime(),
            day: dayIn(house.timeZone, latest.at),
            zones: before,
            whole: same.reduce((whole, row) => ({ ...row.whole, ...whole }), {}),
          }
        : null,
    baseline: isBaseline && first.zones ? { at: first.at.getTime(), zones: first.zones } : null,
  } satisfies Partial<VisitBundle>
}

function planParts({ planRows, names, previousPlan }: BundleRows) {
  const trainees = new Set(names.filter(({ role }) => role === 'trainee').map(({ id }) => id))
  return {
    plans: planRows.map((plan) => ({
      version: plan.version,
      steps: plan.steps ?? [],
      reason: plan.reason,
      unsigned: plan.unsigned && {
        ...plan.unsigned,
        by: names.find((name) => name.id === plan.unsigned?.by)?.name ?? '',
      },
      countersignedBy: names.find((name) => name.id === plan.countersignedBy)?.name ?? null,
      unseen: plan.version > 1 && plan.countersignedBy === null && trainees.has(plan.by),
      protocol:
        plan.protocolId !== null && plan.protocolVersion !== null
          ? { id: plan.protocolId, version: plan.protocolVersion }
          : null,
    })),
    previousPlan: previousPlan?.steps
      ? { at: previousPlan.at.getTime(), steps: previousPlan.steps }
      : null,
  } satisfies Partial<VisitBundle>
}

function recordParts({ seal, record, amendRows, followUp }: BundleRows) {
  return {
    seal: seal
      ? {
          number: seal.s.number,
          prev: seal.s.prev,
          head: seal.s.head,
          at: seal.s.at.getTime(),
          by: seal.by,
        }
      : null,
    record: seal
      ? record.map((item) => ({
          name: item.name,
          commitment: item.commitment,
          content: item.content ?? null,
          salt: item.salt,
        }))
      : [],
    amendments: amendRows.map(({ a: amendment, by }) => ({
      at: amendment.at.getTime(),
      by,
      before: amendment.before ?? '',
      after: amendment.after ?? '',
      reason: amendment.reason ?? '',
    })),
    followUp: followUp
      ? { dueOn: followUp.dueOn, reason: followUp.reason, done: followUp.doneAt !== null }
      : null,
  } satisfies Partial<VisitBundle>
}

const asSchool = (stored: string): SchoolId => SCHOOL_IDS.find((id) => id === stored) ?? 'warmCloth'
