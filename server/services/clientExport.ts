import { asc, eq } from 'drizzle-orm'
import {
  amendments,
  clientLinks,
  consents,
  consultations,
  followUps,
  halfFaces,
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
import type { Client } from './access'
import { database } from './database'

/** Everything the house holds about a client, for the client: as it is stored, nothing left out. */
export async function exportClient(client: Client) {
  const db = database()
  const own = eq(visits.clientId, client.id)
  const [
    visitRows,
    consultRows,
    consentRows,
    readingRows,
    homeRows,
    importRows,
    events,
    record,
    planRows,
    sealRows,
    amended,
    calls,
    formRows,
    meterRows,
    testRows,
    readRows,
    backRows,
    liftRows,
    halfRows,
  ] = await Promise.all([
    db.select().from(visits).where(own).orderBy(asc(visits.startsAt)),
    db.select().from(consultations).where(eq(consultations.clientId, client.id)),
    db.select().from(consents).where(eq(consents.clientId, client.id)),
    db.select().from(readings).where(eq(readings.clientId, client.id)),
    db.select().from(homeUse).where(eq(homeUse.clientId, client.id)),
    db.select().from(imports).where(eq(imports.clientId, client.id)),
    db
      .select({ e: visitEvents })
      .from(visitEvents)
      .innerJoin(visits, eq(visits.id, visitEvents.visitId))
      .where(own),
    db
      .select({ i: sealItems })
      .from(sealItems)
      .innerJoin(visits, eq(visits.id, sealItems.visitId))
      .where(own),
    db.select({ p: plans }).from(plans).innerJoin(visits, eq(visits.id, plans.visitId)).where(own),
    db.select({ s: seals }).from(seals).innerJoin(visits, eq(visits.id, seals.visitId)).where(own),
    db
      .select({ a: amendments })
      .from(amendments)
      .innerJoin(visits, eq(visits.id, amendments.visitId))
      .where(own),
    db
      .select({ f: followUps })
      .from(followUps)
      .innerJoin(visits, eq(visits.id, followUps.visitId))
      .where(own),
    db
      .select({ l: clientLinks })
      .from(clientLinks)
      .innerJoin(visits, eq(visits.id, clientLinks.visitId))
      .where(own),
    db.select().from(meterReadings).where(eq(meterReadings.clientId, client.id)),
    db.select().from(patchTests).where(eq(patchTests.clientId, client.id)),
    db
      .select({ r: patchReads })
      .from(patchReads)
      .innerJoin(patchTests, eq(patchTests.id, patchReads.testId))
      .where(eq(patchTests.clientId, client.id)),
    db.select().from(withdrawals).where(eq(withdrawals.clientId, client.id)),
    db.select({ l: lifts }).from(lifts).innerJoin(visits, eq(visits.id, lifts.visitId)).where(own),
    db
      .select({ h: halfFaces })
      .from(halfFaces)
      .innerJoin(visits, eq(visits.id, halfFaces.visitId))
      .where(own),
  ])
  return {
    format: 'oak-basin/client',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    client,
    visits: visitRows,
    consultations: consultRows,
    consents: consentRows,
    readings: readingRows,
    homeUse: homeRows,
    imports: importRows,
    events: events.map((r) => r.e),
    record: record.map((r) => r.i),
    plans: planRows.map((r) => r.p),
    seals: sealRows.map((r) => r.s),
    amendments: amended.map((r) => r.a),
    followUps: calls.map((r) => r.f),
    meterReadings: meterRows,
    patchTests: testRows,
    patchReads: readRows.map((r) => r.r),
    withdrawals: backRows,
    setAside: liftRows.map((r) => r.l),
    halfFaces: halfRows.map((r) => r.h),
    ownForms: formRows.map(({ l: { tokenHash: _hash, ...form } }) => form),
  }
}
