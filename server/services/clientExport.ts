import { asc, eq } from 'drizzle-orm'
import { consents, consultations, homeUse, imports, readings, sealItems, visitEvents, visits } from '#db/schema'
import type { Client } from './access'
import { database } from './database'

/** Everything the house holds about a client, for the client: as it is stored, nothing left out. */
export async function exportClient(client: Client) {
  const db = database()
  const own = eq(visits.clientId, client.id)
  const [visitRows, consultRows, consentRows, readingRows, homeRows, importRows, events, record] = await Promise.all([
    db.select().from(visits).where(own).orderBy(asc(visits.startsAt)), db.select().from(consultations).where(eq(consultations.clientId, client.id)), db.select().from(consents).where(eq(consents.clientId, client.id)),
    db.select().from(readings).where(eq(readings.clientId, client.id)), db.select().from(homeUse).where(eq(homeUse.clientId, client.id)), db.select().from(imports).where(eq(imports.clientId, client.id)),
    db.select({ e: visitEvents }).from(visitEvents).innerJoin(visits, eq(visits.id, visitEvents.visitId)).where(own), db.select({ i: sealItems }).from(sealItems).innerJoin(visits, eq(visits.id, sealItems.visitId)).where(own),
  ])
  return { format: 'oak-basin/client', formatVersion: 1, exportedAt: new Date().toISOString(), client, visits: visitRows, consultations: consultRows, consents: consentRows, readings: readingRows, homeUse: homeRows, imports: importRows, events: events.map((r) => r.e), record: record.map((r) => r.i) }
}
