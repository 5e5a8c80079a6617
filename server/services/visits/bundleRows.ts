import { and, asc, desc, eq, gt, inArray, isNotNull, ne } from 'drizzle-orm'
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
import { database } from '../database'
import { beforeMoment, MOMENT, momentOf } from './moment'

/** How much of a client's past one reply carries. */
const MOST = { consultations: 40, consents: 60, readings: 40 } as const

/** The people and the room of a visit. @throws ProblemError 404 when one of them is gone */
async function whoAndWhere(visit: Visit) {
  const db = database()
  const [[client], [holder], [room]] = await Promise.all([
    db.select().from(clients).where(eq(clients.id, visit.clientId)),
    db.select().from(staff).where(eq(staff.id, visit.staffId)),
    db.select().from(rooms).where(eq(rooms.id, visit.roomId)),
  ])
  if (!client || !holder || !room) throw notFound()
  return { client, holder, room }
}

/** What a client has told, signed and had read, the newest first. */
async function told(visit: Visit) {
  const db = database()
  const [consultRows, consentRows, readingRows, [firstReading]] = await Promise.all([
    db
      .select({ c: consultations, by: staff.name })
      .from(consultations)
      .innerJoin(staff, eq(staff.id, consultations.by))
      .where(eq(consultations.clientId, visit.clientId))
      .orderBy(desc(consultations.at))
      .limit(MOST.consultations),
    db
      .select()
      .from(consents)
      .where(eq(consents.clientId, visit.clientId))
      .orderBy(desc(consents.at))
      .limit(MOST.consents),
    db
      .select()
      .from(readings)
      .where(eq(readings.clientId, visit.clientId))
      .orderBy(desc(readings.at))
      .limit(MOST.readings),
    db
      .select()
      .from(readings)
      .where(and(eq(readings.clientId, visit.clientId), isNotNull(readings.zones)))
      .orderBy(asc(readings.at))
      .limit(1),
  ])
  return { consultRows, consentRows, readingRows, firstReading }
}

/** What was planned for this visit, who countersigned it, and the last plan before. */
async function planned(visit: Visit) {
  const db = database()
  const [planRows, [previousPlan]] = await Promise.all([
    db.select().from(plans).where(eq(plans.visitId, visit.id)).orderBy(asc(plans.version)),
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
async function recorded(visit: Visit) {
  const db = database()
  const [[seal], record, amendRows, [followUp]] = await Promise.all([
    db
      .select({ s: seals, by: staff.name })
      .from(seals)
      .innerJoin(staff, eq(staff.id, seals.by))
      .where(eq(seals.visitId, visit.id)),
    db
      .select()
      .from(sealItems)
      .where(eq(sealItems.visitId, visit.id))
      .orderBy(asc(sealItems.place)),
    db
      .select({ a: amendments, by: staff.name })
      .from(amendments)
      .innerJoin(staff, eq(staff.id, amendments.by))
      .where(eq(amendments.visitId, visit.id))
      .orderBy(asc(amendments.at)),
    db.select().from(followUps).where(eq(followUps.visitId, visit.id)),
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
    database().select().from(devices),
  ])
  return { ...people, ...said, ...plan, ...record, deviceRows }
}
export type BundleRows = Awaited<ReturnType<typeof bundleRows>>
