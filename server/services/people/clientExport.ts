import { asc, eq } from 'drizzle-orm'
import {
  amendments,
  clientLinks,
  consents,
  consultations,
  followUps,
  halfFaces,
  photographs,
  homeUse,
  imports,
  lifts,
  meterReadings,
  patchReads,
  patchTests,
  plans,
  readings,
  sealItems,
  seals,
  visitEvents,
  visits,
  withdrawals,
} from '#db/schema'
import type { Client } from '../access'
import { database } from '../database'

/** Everything the house holds about a client, for the client: as it is stored, nothing left out. */
export async function exportClient(client: Client) {
  const [ofClient, ofVisits, ofTests] = await Promise.all([
    storedByClient(client.id),
    storedByVisit(client.id),
    storedByTest(client.id),
  ])
  return {
    format: 'oak-basin/client',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    client,
    ...ofClient,
    ...ofVisits,
    ...ofTests,
  }
}

/** Tables that name the client themselves. */
async function storedByClient(clientId: string) {
  const db = database()
  const [visitRows, told, signed, read, home, imported, metered, back] = await Promise.all([
    db.select().from(visits).where(eq(visits.clientId, clientId)).orderBy(asc(visits.startsAt)),
    db.select().from(consultations).where(eq(consultations.clientId, clientId)),
    db.select().from(consents).where(eq(consents.clientId, clientId)),
    db.select().from(readings).where(eq(readings.clientId, clientId)),
    db.select().from(homeUse).where(eq(homeUse.clientId, clientId)),
    db.select().from(imports).where(eq(imports.clientId, clientId)),
    db.select().from(meterReadings).where(eq(meterReadings.clientId, clientId)),
    db.select().from(withdrawals).where(eq(withdrawals.clientId, clientId)),
  ])
  return {
    visits: visitRows,
    consultations: told,
    consents: signed,
    readings: read,
    homeUse: home,
    imports: imported,
    meterReadings: metered,
    withdrawals: back,
  }
}

/** Tables that hang on the client's visits. */
async function storedByVisit(clientId: string) {
  const own = eq(visits.clientId, clientId)
  const ofVisit = <Table extends VisitTable>(table: Table) =>
    database()
      .select({ row: table as VisitTable })
      .from(table as VisitTable)
      .innerJoin(visits, eq(visits.id, (table as VisitTable).visitId))
      .where(own)
      .then((rows) => rows.map(({ row }) => row as unknown as Table['$inferSelect']))
  const [events, record, planned, sealed, amended, calls, forms, aside, halves, pictures] =
    await Promise.all([
      ofVisit(visitEvents),
      ofVisit(sealItems),
      ofVisit(plans),
      ofVisit(seals),
      ofVisit(amendments),
      ofVisit(followUps),
      ofVisit(clientLinks),
      ofVisit(lifts),
      ofVisit(halfFaces),
      ofVisit(photographs),
    ])
  return {
    events,
    record,
    plans: planned,
    seals: sealed,
    amendments: amended,
    followUps: calls,
    setAside: aside,
    halfFaces: halves,
    photographs: pictures,
    // The link's own secret stays here, hashed as it is.
    ownForms: forms.map(({ tokenHash: _hash, ...form }) => form),
  }
}
/** Any of the tables with a visit's id; one stands for the type of all. */
type VisitTable =
  | typeof visitEvents
  | typeof sealItems
  | typeof plans
  | typeof seals
  | typeof amendments
  | typeof followUps
  | typeof clientLinks
  | typeof lifts
  | typeof halfFaces
  | typeof photographs

async function storedByTest(clientId: string) {
  const db = database()
  const own = eq(patchTests.clientId, clientId)
  const [tests, reads] = await Promise.all([
    db.select().from(patchTests).where(own),
    db
      .select({ read: patchReads })
      .from(patchReads)
      .innerJoin(patchTests, eq(patchTests.id, patchReads.testId))
      .where(own),
  ])
  return { patchTests: tests, patchReads: reads.map(({ read }) => read) }
}
