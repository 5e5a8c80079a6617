import { and, asc, desc, eq, gt, inArray, isNotNull, ne, sql } from 'drizzle-orm'
import { oncePer } from '#core/once'
import {
  amendments,
  clients,
  consents,
  consultations,
  devices,
  followUps,
  plans,
  readings,
  rooms,
  sealItems,
  seals,
  staff,
  visits,
} from '#db/schema'
import { notFound } from '../../problem/problem'
import type { Visit } from '../access'
import { database, type Database } from '../database'
import { beforeMoment, MOMENT, momentOf } from './moment'

/** How much of a client's past one reply carries. */
const MOST = { consultations: 40, consents: 60, readings: 40 } as const

const clientId = sql.placeholder('clientId')
const visitId = sql.placeholder('visitId')

/*
 * Asked for with every page of a visit: put together once.
 */
const whoStatements = oncePer((db: Database) => ({
  client: db.select().from(clients).where(eq(clients.id, clientId)).prepare('client'),
  holder: db
    .select()
    .from(staff)
    .where(eq(staff.id, sql.placeholder('staffId')))
    .prepare('holder'),
  room: db
    .select()
    .from(rooms)
    .where(eq(rooms.id, sql.placeholder('roomId')))
    .prepare('room'),
  devices: db.select().from(devices).prepare('devices'),
}))
const toldStatements = oncePer((db: Database) => ({
  consultations: db
    .select({ c: consultations, by: staff.name })
    .from(consultations)
    .innerJoin(staff, eq(staff.id, consultations.by))
    .where(eq(consultations.clientId, clientId))
    .orderBy(desc(consultations.at))
    .limit(MOST.consultations)
    .prepare('consultations'),
  consents: db
    .select()
    .from(consents)
    .where(eq(consents.clientId, clientId))
    .orderBy(desc(consents.at))
    .limit(MOST.consents)
    .prepare('consents'),
  readings: db
    .select()
    .from(readings)
    .where(eq(readings.clientId, clientId))
    .orderBy(desc(readings.at))
    .limit(MOST.readings)
    .prepare('readings'),
  firstReading: db
    .select()
    .from(readings)
    .where(and(eq(readings.clientId, clientId), isNotNull(readings.zones)))
    .orderBy(asc(readings.at))
    .limit(1)
    .prepare('first reading'),
}))
const keptStatements = oncePer((db: Database) => ({
  plans: db
    .select()
    .from(plans)
    .where(eq(plans.visitId, visitId))
    .orderBy(asc(plans.version))
    .prepare('plans'),
  seal: db
    .select({ s: seals, by: staff.name })
    .from(seals)
    .innerJoin(staff, eq(staff.id, seals.by))
    .where(eq(seals.visitId, visitId))
    .prepare('seal'),
  record: db
    .select()
    .from(sealItems)
    .where(eq(sealItems.visitId, visitId))
    .orderBy(asc(sealItems.place))
    .prepare('record'),
  amendments: db
    .select({ a: amendments, by: staff.name })
    .from(amendments)
    .innerJoin(staff, eq(staff.id, amendments.by))
    .where(eq(amendments.visitId, visitId))
    .orderBy(asc(amendments.at))
    .prepare('amendments'),
  followUp: db.select().from(followUps).where(eq(followUps.visitId, visitId)).prepare('follow-up'),
}))

/** The people and the room of a visit. @throws ProblemError 404 when one of them is gone */
async function whoAndWhere({ clientId, staffId, roomId }: Visit) {
  const ask = whoStatements(database())
  const [[client], [holder], [room]] = await Promise.all([
    ask.client.execute({ clientId }),
    ask.holder.execute({ staffId }),
    ask.room.execute({ roomId }),
  ])
  if (!client || !holder || !room) throw notFound()
  return { client, holder, room }
}

/** What a client has told, signed and had read, the newest first. */
async function told({ clientId }: Visit) {
  const ask = toldStatements(database())
  const [consultRows, consentRows, readingRows, [firstReading]] = await Promise.all([
    ask.consultations.execute({ clientId }),
    ask.consents.execute({ clientId }),
    ask.readings.execute({ clientId }),
    ask.firstReading.execute({ clientId }),
  ])
  return { consultRows, consentRows, readingRows, firstReading }
}

/** What was planned for this visit, who countersigned it, and the last plan before. */
async function planned(visit: Visit) {
  const db = database()
  const [planRows, [previousPlan]] = await Promise.all([
    keptStatements(db).plans.execute({ visitId: visit.id }),
    db
      .select({ at: MOMENT, steps: plans.steps })
      .from(plans)
      .innerJoin(visits, eq(visits.id, plans.visitId))
      .where(
        and(
          eq(visits.clientId, visit.clientId),
          beforeMoment(momentOf(visit)),
          ne(visits.id, visit.id),
          ne(visits.status, 'cancelled'),
          gt(plans.version, 0),
        ),
      )
      .orderBy(desc(MOMENT), desc(plans.version))
      .limit(1),
  ])
  const signers = planRows.flatMap((plan) =>
    [plan.by, plan.countersignedBy ?? [], plan.unsigned?.by ?? []].flat(),
  )
  const names =
    signers.length > 0
      ? await db
          .select({ id: staff.id, name: staff.name, role: staff.role })
          .from(staff)
          .where(inArray(staff.id, signers))
      : []
  return { planRows, previousPlan, names }
}

/** The record of a visit, where it is sealed, and what was changed in the open. */
async function recorded({ id: visitId }: Visit) {
  const ask = keptStatements(database())
  const [[seal], record, amendRows, [followUp]] = await Promise.all([
    ask.seal.execute({ visitId }),
    ask.record.execute({ visitId }),
    ask.amendments.execute({ visitId }),
    ask.followUp.execute({ visitId }),
  ])
  return { seal, record, amendRows, followUp }
}

/** Every row that the reply about one visit is made of, asked for side by side. */
export async function bundleRows(visit: Visit) {
  const [people, said, plan, record, deviceRows] = await Promise.all([
    whoAndWhere(visit),
    told(visit),
    planned(visit),
    recorded(visit),
    whoStatements(database()).devices.execute(),
  ])
  return { ...people, ...said, ...plan, ...record, deviceRows }
}
export type BundleRows = Awaited<ReturnType<typeof bundleRows>>
