import { asc, eq, inArray } from 'drizzle-orm'
import type { z } from 'zod'
import { clientDocument } from '#contracts/exchange'
import {
  amendments,
  checkIns,
  clientLinks,
  consents,
  consultations,
  followUps,
  halfFaces,
  homeAsked,
  homeRoutines,
  messages,
  referrals,
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
import { lookingBack } from '../database'

/**
 * Everything the house holds about a client, for the client: as it is stored, nothing left out, and in
 * the form in which a house takes it in again.
 */
export async function exportClient(client: Client): Promise<z.output<typeof clientDocument>> {
  const [ofClient, ofVisits, ofTests] = await Promise.all([
    storedByClient(client.id),
    storedByVisit(client.id),
    storedByTest(client.id),
  ])
  const whole = {
    format: 'oak-basin/client',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    client,
    ...ofClient,
    ...ofVisits,
    ...ofTests,
  }
  return clientDocument.parse(JSON.parse(JSON.stringify(whole)))
}

/** Tables that name the client themselves. */
async function storedByClient(clientId: string) {
  const db = lookingBack()
  const [visitRows, told, signed, read, home, imported, metered, back, askedRows, routines] =
    await Promise.all([
      db.select().from(visits).where(eq(visits.clientId, clientId)).orderBy(asc(visits.startsAt)),
      db.select().from(consultations).where(eq(consultations.clientId, clientId)),
      db.select().from(consents).where(eq(consents.clientId, clientId)),
      db.select().from(readings).where(eq(readings.clientId, clientId)),
      db.select().from(homeUse).where(eq(homeUse.clientId, clientId)),
      db.select().from(imports).where(eq(imports.clientId, clientId)),
      db.select().from(meterReadings).where(eq(meterReadings.clientId, clientId)),
      db.select().from(withdrawals).where(eq(withdrawals.clientId, clientId)),
      db.select().from(homeAsked).where(eq(homeAsked.clientId, clientId)),
      db.select().from(homeRoutines).where(eq(homeRoutines.clientId, clientId)),
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
    homeAsked: askedRows,
    homeRoutines: routines,
  }
}

/** Tables that hang on the client's visits. */
async function storedByVisit(clientId: string) {
  const db = lookingBack()
  const own = db.select({ id: visits.id }).from(visits).where(eq(visits.clientId, clientId))
  const [events, record, planned, sealed, amended, calls, forms, aside, halves, pictures, later] =
    await Promise.all([
      db.select().from(visitEvents).where(inArray(visitEvents.visitId, own)),
      db.select().from(sealItems).where(inArray(sealItems.visitId, own)),
      db.select().from(plans).where(inArray(plans.visitId, own)),
      db.select().from(seals).where(inArray(seals.visitId, own)),
      db.select().from(amendments).where(inArray(amendments.visitId, own)),
      db.select().from(followUps).where(inArray(followUps.visitId, own)),
      db.select().from(clientLinks).where(inArray(clientLinks.visitId, own)),
      db.select().from(lifts).where(inArray(lifts.visitId, own)),
      db.select().from(halfFaces).where(inArray(halfFaces.visitId, own)),
      db.select().from(photographs).where(inArray(photographs.visitId, own)),
      storedAfterwards(clientId),
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
    photographs: pictures.map(asText),
    ...later,
    // The link's own secret stays here, hashed as it is.
    ownForms: forms.map(({ tokenHash: _hash, ...form }) => form),
  }
}

/** A document is text: the bytes of a picture as base64. */
const asText = <Row extends { jpeg: Buffer | null }>(row: Row) => ({
  ...row,
  jpeg: row.jpeg && row.jpeg.toString('base64'),
})

/** What the days after a visit have brought. */
async function storedAfterwards(clientId: string) {
  const db = lookingBack()
  const own = db.select({ id: visits.id }).from(visits).where(eq(visits.clientId, clientId))
  const [answers, sent, notes] = await Promise.all([
    db.select().from(checkIns).where(inArray(checkIns.visitId, own)),
    db.select().from(messages).where(eq(messages.clientId, clientId)),
    db.select().from(referrals).where(inArray(referrals.visitId, own)),
  ])
  return {
    checkIns: answers.map(asText),
    // A message that waits holds a link that opens something: that stays here.
    messages: sent.map(({ words: _words, ...message }) => message),
    referrals: notes,
  }
}

async function storedByTest(clientId: string) {
  const db = lookingBack()
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
