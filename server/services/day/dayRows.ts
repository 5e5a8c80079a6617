import { and, asc, desc, eq, gte, inArray, lt, ne } from 'drizzle-orm'
import {
  clients,
  consents,
  consultations,
  devices,
  lifts,
  plans,
  readings,
  rooms,
  staff,
  visits,
  withdrawals,
} from '#db/schema'
import { database } from '../database'
import { houseRulesNow } from '../house/policy'

/** The visits of a stretch of time with their people, in the order they begin. */
async function visitsBetween(from: Date, to: Date) {
  return database()
    .select({ v: visits, client: clients, staff: staff.name })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .innerJoin(staff, eq(staff.id, visits.staffId))
    .where(and(gte(visits.startsAt, from), lt(visits.startsAt, to), ne(visits.status, 'cancelled')))
    .orderBy(asc(visits.startsAt))
}

/** What was booked there and fell away, in the order it would have begun. */
const fallenBetween = (from: Date, to: Date) =>
  database()
    .select({
      id: visits.id,
      version: visits.version,
      client: clients.name,
      startsAt: visits.startsAt,
      as: visits.fellAway,
      because: visits.fellAwayBecause,
    })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(and(gte(visits.startsAt, from), lt(visits.startsAt, to), eq(visits.status, 'cancelled')))
    .orderBy(asc(visits.startsAt))

/** The latest consent of each kind by these clients: years of visits leave many that are just alike. */
const signedBy = (clientIds: string[]) =>
  database()
    .selectDistinctOn([consents.clientId, consents.kinds, consents.guardian], {
      clientId: consents.clientId,
      kinds: consents.kinds,
      guardian: consents.guardian,
      at: consents.at,
    })
    .from(consents)
    .where(inArray(consents.clientId, clientIds))
    .orderBy(consents.clientId, consents.kinds, consents.guardian, desc(consents.at))

/** What was told, signed, read and planned for these visits and by their clients. */
async function workedOn(visitIds: string[], clientIds: string[]) {
  if (visitIds.length === 0)
    return { told: [], signed: [], back: [], read: [], planned: [], aside: [] }
  const db = database()
  const [told, signed, back, read, planned, aside] = await Promise.all([
    db
      .select()
      .from(consultations)
      .where(inArray(consultations.visitId, visitIds))
      .orderBy(desc(consultations.at)),
    signedBy(clientIds),
    db.select().from(withdrawals).where(inArray(withdrawals.clientId, clientIds)),
    db
      .selectDistinct({ id: readings.visitId })
      .from(readings)
      .where(inArray(readings.visitId, visitIds)),
    db
      .select({
        id: plans.visitId,
        version: plans.version,
        steps: plans.steps,
        basins: plans.basins,
      })
      .from(plans)
      .where(inArray(plans.visitId, visitIds))
      .orderBy(desc(plans.version)),
    db.select().from(lifts).where(inArray(lifts.visitId, visitIds)),
  ])
  return { told, signed, back, read, planned, aside }
}

/** Every row that a day is made of: a few questions, however many visits there are. */
export async function dayRows(from: Date, to: Date) {
  const db = database()
  const [booked, fallen, roomRows, deviceRows, rules, people] = await Promise.all([
    visitsBetween(from, to),
    fallenBetween(from, to),
    db.select().from(rooms).orderBy(asc(rooms.name)),
    db.select().from(devices),
    houseRulesNow(),
    db.select({ id: staff.id, name: staff.name }).from(staff).where(eq(staff.active, true)),
  ])
  const work = await workedOn(
    booked.map((row) => row.v.id),
    [...new Set(booked.map((row) => row.v.clientId))],
  )
  // A closed room is shown only on days on which something was in it.
  const used = new Set(booked.map((row) => row.v.roomId))
  const open = roomRows.filter((room) => !room.closed || used.has(room.id))
  return { booked, fallen, roomRows: open, deviceRows, rules, people, ...work }
}
export type DayRows = Awaited<ReturnType<typeof dayRows>>
