import { eq } from 'drizzle-orm'
import { createEvents } from 'ics'
import { DateTime } from 'luxon'
import { IMPORT_DEPTH, jsonDepth, visitDocument, type VisitDocument } from '#contracts/exchange'
import { foldLines } from '#contracts/foldLines'
import { canonical, type Json } from '#core/record/canonical'
import { verify } from '#core/record/seal'
import { imports, seals, visits } from '#db/schema'
import { fromZod, ProblemError, refused } from '../problem/problem'
import type { Client, Visit } from './access'
import { readBundle } from './bundle'
import { thePractice } from './practice'
import { database } from './database'
import type { Staff } from './session'

/** A sealed visit as the open document of `docs/formats/visit.schema.json`. */
export async function exportVisit(me: Staff, visit: Visit): Promise<VisitDocument> {
  const ownBundle = await readBundle(me, visit)
  if (!ownBundle.seal) throw refused('Only a sealed visit is exported.')
  return {
    format: 'oak-basin/visit',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    practice: { name: ownBundle.practice.name },
    client: { name: ownBundle.client.name, born: ownBundle.client.born },
    visit: {
      id: ownBundle.visit.id,
      startsAt: new Date(ownBundle.visit.startsAt).toISOString(),
      minutes: ownBundle.visit.minutes,
      therapist: ownBundle.staff.name,
      room: ownBundle.room.name,
    },
    seal: {
      number: ownBundle.seal.number,
      prev: ownBundle.seal.prev,
      head: ownBundle.seal.head,
      sealedAt: new Date(ownBundle.seal.at).toISOString(),
    },
    parts: ownBundle.record.map((part) => ({
      name: part.name,
      commitment: part.commitment,
      salt: part.salt,
      content: part.content ?? null,
    })),
    amendments: ownBundle.amendments.map((amendment) => ({
      ...amendment,
      at: new Date(amendment.at).toISOString(),
    })),
  }
}

/**
 * Takes in a visit recorded elsewhere. Its seal is checked by itself; only one that stands in our
 * own chain counts as ours.
 */
export async function importVisit(
  me: Staff,
  client: Client,
  id: string,
  text: string,
): Promise<{ holds: boolean; ours: boolean }> {
  if (jsonDepth(text) > IMPORT_DEPTH)
    throw new ProblemError(
      400,
      'Not accepted',
      `The file is nested deeper than ${IMPORT_DEPTH} levels. Nothing was taken in.`,
      [{ field: 'file', given: `depth ${jsonDepth(text)}`, allowed: `depth ${IMPORT_DEPTH}` }],
    )
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    throw new ProblemError(400, 'Not accepted', 'The file is not JSON. Nothing was taken in.', [
      { field: 'file', given: 'text that is not JSON', allowed: 'a visit file' },
    ])
  }
  const parsed = visitDocument.safeParse(raw)
  if (!parsed.success) throw fromZod(parsed.error, raw)
  const doc = parsed.data
  const holds = verify({
    prev: doc.seal.prev,
    head: doc.seal.head,
    items: doc.parts.map((part) => ({
      name: part.name,
      commitment: part.commitment,
      salt: part.salt,
      content: part.salt === null ? null : (part.content as Json),
    })),
  }).ok
  const ours = holds && (await isOurs(me, doc))
  await database()
    .insert(imports)
    .values({
      id,
      clientId: client.id,
      document: doc as unknown as Json,
      head: doc.seal.head,
      holds,
      ours,
      by: me.id,
    })
    .onConflictDoNothing()
  return { holds, ours }
}

/**
 * Whether a document is, word for word, one of our own: only the moment it was written out may be
 * another, and amendments may have come since.
 */
async function isOurs(me: Staff, doc: VisitDocument): Promise<boolean> {
  const [known] = await database()
    .select({ visit: visits })
    .from(seals)
    .innerJoin(visits, eq(visits.id, seals.visitId))
    .where(eq(seals.head, doc.seal.head))
  if (!known || known.visit.id !== doc.visit.id) return false
  const own = await exportVisit(me, known.visit)
  const amendments = own.amendments.slice(0, doc.amendments.length)
  const whole = { ...own, exportedAt: doc.exportedAt, amendments }
  return canonical(whole as unknown as Json) === canonical(doc as unknown as Json)
}

/**
 * The next visit for the client's calendar: where and when, and no word about health or what is
 * planned.
 */
export async function nextVisitCalendar(visit: Visit): Promise<string> {
  if (!visit.nextVisitAt) throw refused('No next visit is set yet.')
  const house = await thePractice()
  const at = DateTime.fromJSDate(visit.nextVisitAt).toUTC()
  const { error, value } = createEvents([
    {
      uid: `${visit.id}-next@oak-basin`,
      productId: 'Oak Basin',
      title: `Appointment, ${house.name}`,
      location: house.address,
      description: `Phone ${house.phone}`,
      start: [at.year, at.month, at.day, at.hour, at.minute],
      startInputType: 'utc',
      startOutputType: 'utc',
      duration: { minutes: visit.minutes },
      classification: 'PRIVATE',
      busyStatus: 'BUSY',
    },
  ])
  if (error || !value)
    throw new ProblemError(500, 'It did not work', 'The calendar file could not be written.')
  return foldLines(value)
}
