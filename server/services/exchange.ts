import { eq } from 'drizzle-orm'
import { createEvents } from 'ics'
import { DateTime } from 'luxon'
import { IMPORT_DEPTH, jsonDepth, visitDocument, type VisitDocument } from '#contracts/exchange'
import type { Json } from '#core/record/canonical'
import { verify } from '#core/record/seal'
import { imports, seals } from '#db/schema'
import { fromZod, ProblemError, refused } from '../problem/problem'
import type { Client, Visit } from './access'
import { readBundle } from './bundle'
import { thePractice } from './practice'
import { database } from './database'
import type { Staff } from './session'

/** A sealed visit as the open document of `docs/formats/visit.schema.json`. */
export async function exportVisit(me: Staff, visit: Visit): Promise<VisitDocument> {
  const b = await readBundle(me, visit)
  if (!b.seal) throw refused('Only a sealed visit is exported.')
  return {
    format: 'oak-basin/visit',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    practice: { name: b.practice.name },
    client: { name: b.client.name, born: b.client.born },
    visit: {
      id: b.visit.id,
      startsAt: new Date(b.visit.startsAt).toISOString(),
      minutes: b.visit.minutes,
      therapist: b.staff.name,
      room: b.room.name,
    },
    seal: {
      number: b.seal.number,
      prev: b.seal.prev,
      head: b.seal.head,
      sealedAt: new Date(b.seal.at).toISOString(),
    },
    parts: b.record.map((r) => ({
      name: r.name,
      commitment: r.commitment,
      salt: r.salt,
      content: r.content ?? null,
    })),
    amendments: b.amendments.map((a) => ({ ...a, at: new Date(a.at).toISOString() })),
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
    items: doc.parts.map((p) => ({
      name: p.name,
      commitment: p.commitment,
      salt: p.salt,
      content: p.salt === null ? null : (p.content as Json),
    })),
  }).ok
  const [known] = await database().select().from(seals).where(eq(seals.head, doc.seal.head))
  const ours = known !== undefined && known.visitId === doc.visit.id && holds
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
  return value
}
