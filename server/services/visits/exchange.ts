import { asc, eq } from 'drizzle-orm'
import { calendarFile } from '#contracts/calendarFile'
import { IMPORT_DEPTH, jsonDepth, visitDocument, type VisitDocument } from '#contracts/exchange'
import { canonical } from '#core/record/canonical'
import { unlikeSeal } from '#core/record/sealedFile'
import { amendments, imports, seals, staff, visits } from '#db/schema'
import { fromZod, ProblemError, refused } from '../../problem/problem'
import type { Client, Visit } from '../access'
import { readBundle } from './bundle'
import { thePractice } from '../practice'
import { database } from '../database'
import type { Staff } from '../session/session'

/** A sealed visit as the open document of `docs/formats/visit.schema.json`. */
export async function exportVisit(me: Staff, visit: Visit): Promise<VisitDocument> {
  const bundle = await readBundle(me, visit)
  if (!bundle.seal) throw refused('Only a sealed visit is exported.')
  return {
    format: 'oak-basin/visit',
    formatVersion: 1,
    exportedAt: new Date().toISOString(),
    practice: { name: bundle.practice.name },
    client: { name: bundle.client.name, born: bundle.client.born },
    visit: {
      id: bundle.visit.id,
      startsAt: new Date(bundle.visit.at).toISOString(),
      minutes: bundle.visit.minutes,
      therapist: bundle.staff.name,
      room: bundle.room.name,
    },
    seal: {
      number: bundle.seal.number,
      prev: bundle.seal.prev,
      head: bundle.seal.head,
      sealedAt: new Date(bundle.seal.at).toISOString(),
    },
    parts: bundle.record.map((part) => ({
      name: part.name,
      commitment: part.commitment,
      salt: part.salt,
      content: part.content ?? null,
    })),
    amendments: await amendmentsOf(visit),
  }
}

/** What was changed in the open, each with what proves it. */
async function amendmentsOf(visit: Visit): Promise<VisitDocument['amendments']> {
  const rows = await database()
    .select({ a: amendments, by: staff.name })
    .from(amendments)
    .innerJoin(staff, eq(staff.id, amendments.by))
    .where(eq(amendments.visitId, visit.id))
    .orderBy(asc(amendments.at))
  return rows.map(({ a: { id, by: byId, ...row }, by }) => ({
    at: row.at.toISOString(),
    by,
    before: row.before ?? '',
    after: row.after ?? '',
    reason: row.reason ?? '',
    ...(row.prev && row.head && row.commitment && row.salt
      ? {
          proof: {
            ...{ id, byId, prev: row.prev, head: row.head },
            ...{ commitment: row.commitment, salt: row.salt },
          },
        }
      : {}),
  }))
}

export interface TakenIn {
  holds: boolean
  ours: boolean
  /** What does not fit the seal, in words; empty where all does. */
  why: string
}

/**
 * Takes in a visit recorded elsewhere. Its seal is checked by itself, over everything the file says;
 * only one that stands in our own chain counts as ours.
 * @throws ProblemError 409 where it is of somebody else by name or birthday and nobody said it is not
 */
export async function importVisit(
  me: Staff,
  client: Client,
  { id, text, confirmed }: { id: string; text: string; confirmed: boolean },
): Promise<TakenIn> {
  const raw = readJson(text)
  const parsed = visitDocument.safeParse(raw)
  if (!parsed.success) throw fromZod(parsed.error, raw)
  const doc = parsed.data
  if (!confirmed) samePerson(doc.client, client)
  const why = unlikeSeal(doc)
  const holds = why === ''
  const ours = holds && (await isOurs(me, doc))
  await database()
    .insert(imports)
    .values({
      id,
      clientId: client.id,
      document: doc,
      head: doc.seal.head,
      holds,
      ours,
      by: me.id,
    })
    .onConflictDoNothing()
  return { holds, ours, why }
}

/** @throws ProblemError 400 for what is nested too deep, or no JSON */
export function readJson(text: string): unknown {
  if (jsonDepth(text) > IMPORT_DEPTH)
    throw new ProblemError(
      400,
      'Not accepted',
      `The file is nested deeper than ${IMPORT_DEPTH} levels. Nothing was imported.`,
      [{ field: 'file', given: `depth ${jsonDepth(text)}`, allowed: `depth ${IMPORT_DEPTH}` }],
    )
  try {
    return JSON.parse(text)
  } catch {
    throw new ProblemError(400, 'Not accepted', 'The file is not JSON. Nothing was imported.', [
      { field: 'file', given: 'text that is not JSON', allowed: 'a visit file' },
    ])
  }
}

const plain = (name: string) => name.trim().toLowerCase().replace(/\s+/g, ' ')
const named = ({ name, born }: { name: string; born: string | null }) =>
  born ? `${name}, born ${born}` : name
/** The file of one person does not go into the file of another without a word. */
export function samePerson(
  file: { name: string; born: string | null },
  client: Pick<Client, 'name' | 'born'>,
): void {
  const other = plain(file.name) !== plain(client.name)
  const born = file.born !== null && client.born !== null && file.born !== client.born
  if (!other && !born) return
  const words = `The file is of ${named(file)}; this is ${named(client)}.`
  throw new ProblemError(409, 'Another person?', `${words} Nothing was imported.`, [
    { field: 'confirmed', given: 'not said', allowed: 'that both are the same person' },
  ])
}

/**
 * Whether a document is, word for word, one of our own: only the moment it was written out may be
 * another, and amendments may have come since.
 */
export async function isOurs(me: Staff, doc: VisitDocument): Promise<boolean> {
  const [known] = await database()
    .select({ visit: visits })
    .from(seals)
    .innerJoin(visits, eq(visits.id, seals.visitId))
    .where(eq(seals.head, doc.seal.head))
  if (!known || known.visit.id !== doc.visit.id) return false
  const own = await exportVisit(me, known.visit)
  const said = own.amendments.slice(0, doc.amendments.length)
  const whole = { ...own, exportedAt: doc.exportedAt, amendments: said }
  return canonical(whole) === canonical(doc)
}

/**
 * The next visit for the client's calendar: where and when, and no word about health or what is
 * planned.
 */
export async function nextVisitCalendar(visit: Visit): Promise<string> {
  if (!visit.nextVisitAt) throw refused('No next visit is set yet.')
  const { id, nextVisitAt: at, minutes } = visit
  const written = calendarFile({ id, at, minutes }, await thePractice())
  if (written === null)
    throw new ProblemError(500, 'Server error', 'The calendar file could not be written.')
  return written
}
