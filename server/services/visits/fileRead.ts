import { eq } from 'drizzle-orm'
import type { z } from 'zod'
import { clientDocument, visitDocument, type VisitDocument } from '#contracts/exchange'
import type { FileRead, FilesRead, VisitRead } from '#contracts/replies/visitFile'
import { verify } from '#core/record/seal'
import { unlikeSeal, unlikeWords } from '#core/record/sealedFile'
import { imports } from '#db/schema'
import { fromZod, ProblemError } from '../../problem/problem'
import type { Client } from '../access'
import { database } from '../database'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'
import { isOurs, readJson } from './exchange'
import { headPart, partsRead } from './fileParts'

const momentOf = (iso: string): number | null => {
  const moment = Date.parse(iso)
  return Number.isNaN(moment) ? null : moment
}

async function visitOf(me: Staff, doc: VisitDocument): Promise<VisitRead> {
  const why = unlikeSeal(doc)
  return {
    id: doc.visit.id,
    at: momentOf(doc.visit.startsAt),
    minutes: doc.visit.minutes,
    house: doc.practice.name,
    therapist: doc.visit.therapist,
    room: doc.visit.room,
    seal: { holds: why === '', why, ours: why === '' && (await isOurs(me, doc)) },
    ...partsRead(doc.parts),
    amendments: doc.amendments.map(({ at, by, before, after, reason }) => ({
      ...{ at: momentOf(at), by, before, after, reason },
    })),
  }
}

/** The sealed visits of a whole client's file. */
const visitsOf = (doc: z.output<typeof clientDocument>): VisitRead[] =>
  doc.seals.map(({ visitId, prev, head }) => {
    const items = doc.record
      .filter((item) => item.visitId === visitId)
      .sort((one, other) => one.place - other.place)
    const proof = verify({ prev, head, items })
    const { startsAt, minutes, practice, therapist, room } = headPart
      .catch(headPart.parse({}))
      .parse(items.find(({ name }) => name === 'visit')?.content)
    const told = doc.visits.find(({ id }) => id === visitId)
    return {
      id: visitId,
      at: momentOf(startsAt || (told?.begunAt ?? told?.startsAt ?? '')),
      ...{ minutes, house: practice, therapist, room },
      seal: {
        holds: proof.ok,
        why: proof.ok ? '' : unlikeWords(proof.at),
        ours: false,
      },
      ...partsRead(items),
      amendments: [],
    }
  })

/** @returns what a document says; null where it is neither a visit nor a client */
async function documentRead(me: Staff, document: unknown): Promise<FileRead | null> {
  const visit = visitDocument.safeParse(document)
  if (visit.success)
    return {
      kind: 'visit',
      client: visit.data.client,
      visits: [await visitOf(me, visit.data)],
    }
  const whole = clientDocument.safeParse(document)
  if (!whole.success) return null
  const { name, born } = whole.data.client
  const visits = visitsOf(whole.data).sort((one, other) => (other.at ?? 0) - (one.at ?? 0))
  return { kind: 'client', client: { name, born }, visits }
}

/**
 * Reads a file without taking anything in.
 * @throws ProblemError 400 for what is no file of a visit or a client, by its fields
 */
export async function readFile(me: Staff, text: string): Promise<FileRead> {
  const raw = readJson(text)
  const read = await documentRead(me, raw)
  if (read) return read
  const format = (raw as { format?: unknown } | null)?.format
  const known = [visitDocument, clientDocument].find((own) => own.shape.format.value === format)
  const error = known?.safeParse(raw).error
  if (error) throw fromZod(error, raw)
  const words = 'This is not the file of a visit or of a client. Nothing was imported.'
  throw new ProblemError(400, 'Not accepted', words, [
    {
      field: 'file',
      given: 'another file',
      allowed: 'a visit or a client, as a practice exports it',
    },
  ])
}

/** Everything that came into a client's file from elsewhere, the latest visit first. */
export async function filesOf(me: Staff, client: Client): Promise<FilesRead> {
  const [{ timeZone }, rows] = await Promise.all([
    thePractice(),
    database()
      .select({ document: imports.document })
      .from(imports)
      .where(eq(imports.clientId, client.id)),
  ])
  const read = await Promise.all(rows.map(({ document }) => documentRead(me, document)))
  const latest = ({ visits }: FileRead) => visits[0]?.at ?? 0
  const files = read
    .filter((file): file is FileRead => file !== null)
    .sort((one, other) => latest(other) - latest(one))
  return { client: client.name, timeZone, files }
}
