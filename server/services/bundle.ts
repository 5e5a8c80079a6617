import { and, asc, desc, eq, gt, inArray, isNotNull, lt, ne } from 'drizzle-orm'
import type { VisitBundle } from '#core/visit/bundle'
import type { SealedWork } from '#core/record/work'
import { SCHOOL_IDS, type SchoolId } from '#core/catalogue/schools/schools'
import { REGION_IDS } from '#core/face/zones'
import type { Poured } from '#core/load/ledger'
import type { PastWork } from '#core/load/rest'
import type { TreatmentEvent } from '#core/treatment/events'
import {
  amendments,
  clients,
  consents,
  consultations,
  followUps,
  homeUse,
  plans,
  readings,
  rooms,
  sealItems,
  seals,
  staff,
  visitEvents,
  visits,
  devices,
} from '#db/schema'
import { notFound } from '../problem/problem'
import { visitRights, type Visit } from './access'
import { careOf } from './care'
import { database } from './database'
import { ageOn, dayIn } from './dates'
import type { Staff } from './session'
import { fromClient } from './clientLink'
import { metersOf } from './meters'
import { offeredProtocols, policyNow } from './method'
import { scopeIn } from './policy'
import { thePractice } from './practice'
import { readShelf } from './shelf'

export async function pastOf(
  clientId: string,
  before: Date,
  zone: string,
): Promise<{ past: PastWork[]; poured: Poured[] }> {
  const db = database()
  const rows = await db
    .select({ at: visits.startsAt, content: sealItems.content })
    .from(sealItems)
    .innerJoin(visits, eq(visits.id, sealItems.visitId))
    .where(
      and(eq(visits.clientId, clientId), eq(sealItems.name, 'work'), lt(visits.startsAt, before)),
    )
    .orderBy(desc(visits.startsAt))
    .limit(60)
  const past: PastWork[] = []
  const poured: Poured[] = []
  for (const r of rows) {
    const work = r.content as unknown as SealedWork | null
    if (!work) continue
    past.push({ day: dayIn(zone, r.at), families: work.families, regions: work.regions })
    poured.push({ at: r.at.getTime(), label: work.label, loads: work.loads })
  }
  const home = await db
    .select()
    .from(homeUse)
    .where(and(eq(homeUse.clientId, clientId), lt(homeUse.at, before)))
  for (const h of home)
    poured.push({
      at: h.at.getTime(),
      label: h.label,
      loads: Object.fromEntries(
        REGION_IDS.filter((x) => x !== 'eyes' && x !== 'neck' && x !== 'decollete').map((x) => [
          x,
          h.hundredths,
        ]),
      ),
    })
  return { past, poured: poured.sort((a, b) => a.at - b.at) }
}

export async function eventsOf(visitId: string): Promise<TreatmentEvent[]> {
  const rows = await database()
    .select()
    .from(visitEvents)
    .where(eq(visitEvents.visitId, visitId))
    .orderBy(asc(visitEvents.at))
  return rows.flatMap((r) =>
    r.body
      ? [
          {
            id: r.id,
            at: r.at,
            deviceId: r.deviceId,
            seq: r.seq,
            planVersion: r.planVersion,
            body: r.body,
          },
        ]
      : [],
  )
}

/** Everything of one visit in one reply. Rights are checked by the caller. */
export async function readBundle(me: Staff, visit: Visit): Promise<VisitBundle> {
  const db = database()
  const house = await thePractice()
  const today = dayIn(house.timeZone, visit.startsAt)
  const [
    [client],
    [holder],
    [room],
    consultRows,
    consentRows,
    readingRows,
    [first],
    planRows,
    deviceRows,
    [seal],
    amendRows,
    [followUp],
    shelf,
    events,
    { past, poured },
    rights,
    meters,
    filledIn,
    care,
    policy,
    offered,
    [previousPlan],
  ] = await Promise.all([
    db.select().from(clients).where(eq(clients.id, visit.clientId)),
    db.select().from(staff).where(eq(staff.id, visit.staffId)),
    db.select().from(rooms).where(eq(rooms.id, visit.roomId)),
    db
      .select({ c: consultations, by: staff.name })
      .from(consultations)
      .innerJoin(staff, eq(staff.id, consultations.by))
      .where(eq(consultations.clientId, visit.clientId))
      .orderBy(desc(consultations.at))
      .limit(40),
    db
      .select()
      .from(consents)
      .where(eq(consents.clientId, visit.clientId))
      .orderBy(desc(consents.at))
      .limit(60),
    db
      .select()
      .from(readings)
      .where(eq(readings.clientId, visit.clientId))
      .orderBy(desc(readings.at))
      .limit(40),
    db
      .select()
      .from(readings)
      .where(and(eq(readings.clientId, visit.clientId), isNotNull(readings.zones)))
      .orderBy(asc(readings.at))
      .limit(1),
    db.select().from(plans).where(eq(plans.visitId, visit.id)).orderBy(asc(plans.version)),
    db.select().from(devices),
    db
      .select({ s: seals, by: staff.name })
      .from(seals)
      .innerJoin(staff, eq(staff.id, seals.by))
      .where(eq(seals.visitId, visit.id)),
    db
      .select({ a: amendments, by: staff.name })
      .from(amendments)
      .innerJoin(staff, eq(staff.id, amendments.by))
      .where(eq(amendments.visitId, visit.id))
      .orderBy(asc(amendments.at)),
    db.select().from(followUps).where(eq(followUps.visitId, visit.id)),
    readShelf(),
    eventsOf(visit.id),
    pastOf(visit.clientId, visit.startsAt, house.timeZone),
    visitRights(me, visit),
    metersOf(visit),
    fromClient(visit),
    careOf(visit),
    policyNow(),
    offeredProtocols(),
    db
      .select({ at: visits.startsAt, steps: plans.steps })
      .from(plans)
      .innerJoin(visits, eq(visits.id, plans.visitId))
      .where(
        and(
          eq(visits.clientId, visit.clientId),
          lt(visits.startsAt, visit.startsAt),
          ne(visits.status, 'cancelled'),
          gt(plans.version, 0),
        ),
      )
      .orderBy(desc(visits.startsAt), desc(plans.version))
      .limit(1),
  ])
  if (!client || !holder || !room) throw notFound()
  const record = seal
    ? await db
        .select()
        .from(sealItems)
        .where(eq(sealItems.visitId, visit.id))
        .orderBy(asc(sealItems.place))
    : []
  const signers = planRows.flatMap((p) => p.countersignedBy ?? [])
  const names =
    signers.length > 0
      ? await db
          .select({ id: staff.id, name: staff.name })
          .from(staff)
          .where(inArray(staff.id, signers))
      : []
  const consent = consentRows.find((c) => c.visitId === visit.id)
  const scope = scopeIn(holder, house.allows, today)
  const kept = consultRows.filter(({ c }) => c.visitId === visit.id && c.answers)
  const here = kept[0]?.c
  const before = consultRows.find(({ c }) => c.visitId !== visit.id && c.answers)?.c
  const mine = readingRows.filter((r) => r.visitId === visit.id)
  const earlier = readingRows.find(
    (r) => r.visitId !== visit.id && r.zones && r.at < visit.startsAt,
  )
  return {
    now: Date.now(),
    today,
    visit: {
      id: visit.id,
      startsAt: visit.startsAt.getTime(),
      minutes: visit.minutes,
      madeUp: visit.madeUp,
      evening: visit.evening,
      aims: visit.aims,
      school: asSchool(visit.school),
      status: visit.status,
      version: visit.version,
      recordText: visit.recordText,
      nextVisitAt: visit.nextVisitAt?.getTime() ?? null,
    },
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
      licences: scope.filter((l) => l.counts).map((l) => l.licence),
      scope,
    },
    room,
    practice: {
      name: house.name,
      address: house.address,
      phone: house.phone,
      emergency: house.emergency,
      timeZone: house.timeZone,
    },
    may: {
      write: rights.write,
      seal: rights.seal,
      countersign: rights.countersign,
      export: rights.export,
    },
    answers: here?.answers ?? {},
    answered: here !== undefined,
    answerVersions: kept.map(({ c, by }) => ({ at: c.at.getTime(), by })),
    previousAnswers: before?.answers ?? null,
    fromClient: filledIn,
    consent: consent
      ? {
          method: consent.method,
          name: consent.name,
          at: consent.at.getTime(),
          guardian: consent.guardian,
        }
      : null,
    signatures: consentRows.map((c) => ({
      kinds: c.kinds,
      day: dayIn(house.timeZone, c.at),
      guardian: c.guardian,
      at: c.at.getTime(),
    })),
    readings: {
      madeUp: mine.find((r) => r.phase === 'madeUp')?.zones ?? null,
      bare: mine.find((r) => r.phase === 'bare')?.zones ?? null,
    },
    whole: {
      ...mine.find((r) => r.phase === 'madeUp')?.whole,
      ...mine.find((r) => r.phase === 'bare')?.whole,
    },
    ...care,
    previousReading: earlier?.zones
      ? { at: earlier.at.getTime(), zones: earlier.zones, whole: earlier.whole ?? {} }
      : null,
    baseline:
      first?.zones && first.id !== earlier?.id && first.visitId !== visit.id
        ? { at: first.at.getTime(), zones: first.zones }
        : null,
    meters,
    plans: planRows.map((p) => ({
      version: p.version,
      steps: p.steps ?? [],
      reason: p.reason,
      countersignedBy: names.find((n) => n.id === p.countersignedBy)?.name ?? null,
      protocol:
        p.protocolId !== null && p.protocolVersion !== null
          ? { id: p.protocolId, version: p.protocolVersion }
          : null,
    })),
    policy,
    protocols: offered,
    previousPlan: previousPlan?.steps
      ? { at: previousPlan.at.getTime(), steps: previousPlan.steps }
      : null,
    past,
    poured,
    shelf,
    devices: [...new Set(deviceRows.filter((d) => d.ready).map((d) => d.kind))],
    events,
    seal: seal
      ? {
          number: seal.s.number,
          prev: seal.s.prev,
          head: seal.s.head,
          at: seal.s.at.getTime(),
          by: seal.by,
        }
      : null,
    record: record.map((r) => ({
      name: r.name,
      commitment: r.commitment,
      content: r.content ?? null,
      salt: r.salt,
    })),
    amendments: amendRows.map((r) => ({
      at: r.a.at.getTime(),
      by: r.by,
      before: r.a.before ?? '',
      after: r.a.after ?? '',
      reason: r.a.reason ?? '',
    })),
    followUp: followUp
      ? { dueOn: followUp.dueOn, reason: followUp.reason, done: followUp.doneAt !== null }
      : null,
  }
}

const asSchool = (s: string): SchoolId => SCHOOL_IDS.find((x) => x === s) ?? 'warmCloth'

/** Visits of a client, newest first, with what their seal says was done. */
export async function visitsOf(clientId: string) {
  return database()
    .select({
      id: visits.id,
      startsAt: visits.startsAt,
      minutes: visits.minutes,
      status: visits.status,
      staff: staff.name,
      work: sealItems.content,
    })
    .from(visits)
    .innerJoin(staff, eq(staff.id, visits.staffId))
    .leftJoin(sealItems, and(eq(sealItems.visitId, visits.id), eq(sealItems.name, 'work')))
    .where(and(eq(visits.clientId, clientId), ne(visits.status, 'cancelled')))
    .orderBy(desc(visits.startsAt))
    .limit(100)
}
