import type { Double, ImportLine } from '#contracts/replies/clientFile'
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm'
import type { z } from 'zod'
import { writeCsv } from '#contracts/addressBook/csv'
import { writeVcards } from '#contracts/addressBook/vcards'
import type { ExportAs, importCheck, importPost } from '#contracts/clientImport'
import { clients, visits } from '#db/schema'
import { notFound, refused } from '../../problem/problem'
import { database } from '../database'
import { values } from './people'
import type { Staff } from '../session/session'

/** Imports that are shown to be taken back. */
const SHOWN = 10
const digits = (phone: string | null) => (phone ?? '').replace(/\D/g, '')

/** Clients who may be the same as a row: the same name, with the birthday or the phone alike. */
export async function findDoubles({ rows }: z.infer<typeof importCheck>): Promise<Double[]> {
  const names = [...new Set(rows.map(({ name }) => name.trim().toLowerCase()))]
  if (names.length === 0) return []
  const known = await database()
    .select({ id: clients.id, name: clients.name, born: clients.born, phone: clients.phone })
    .from(clients)
    .where(and(isNull(clients.erasedAt), inArray(sql`lower(${clients.name})`, names)))
  return rows.flatMap((row, at): Double[] => {
    const same = known.filter(({ name }) => name.toLowerCase() === row.name.trim().toLowerCase())
    return same.map(({ id, name, born, phone }) => {
      const sameDay = row.born !== '' && born === row.born
      const samePhone = digits(row.phone) !== '' && digits(phone) === digits(row.phone)
      const why = sameDay ? 'birthday' : samePhone ? 'phone' : 'name alone'
      return { row: at, id, name, why }
    })
  })
}

/** Takes a whole file of clients in, or none of it; sent twice it comes in once. */
export async function takeIn(me: Staff, { id, rows }: z.infer<typeof importPost>): Promise<number> {
  return database().transaction(async (tx) => {
    const done = await tx
      .insert(clients)
      .values(rows.map((row) => ({ id: row.id, ...values(row), createdBy: me.id, importId: id })))
      .onConflictDoNothing()
      .returning({ id: clients.id })
    return done.length
  })
}

export async function listImports(): Promise<ImportLine[]> {
  const rows = await database()
    .select({
      id: sql<string>`${clients.importId}`,
      at: sql<string>`min(${clients.createdAt})`,
      clients: sql<number>`count(*)::int`,
    })
    .from(clients)
    .where(and(isNotNull(clients.importId), isNull(clients.erasedAt)))
    .groupBy(clients.importId)
    .orderBy(desc(sql`min(${clients.createdAt})`))
    .limit(SHOWN)
  return rows.map((row) => ({ ...row, at: new Date(row.at).getTime() }))
}

/**
 * Takes a whole import back: everyone it brought in is erased.
 * @throws ProblemError 422 where one of them has had a visit booked or told since
 */
export async function undoImport(importId: string): Promise<number> {
  const db = database()
  const brought = await db
    .select({ id: clients.id, name: clients.name })
    .from(clients)
    .where(and(eq(clients.importId, importId), isNull(clients.erasedAt)))
  if (brought.length === 0) throw notFound()
  const [used] = await db
    .select({ name: clients.name })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .where(eq(clients.importId, importId))
    .limit(1)
  if (used)
    throw refused(`${used.name} has a visit already: the import stays. Erase single files instead.`)
  await db.transaction(async (tx) => {
    for (const { id } of brought) await tx.execute(sql`select erase_client(${id}::uuid)`)
  })
  return brought.length
}

/** Columns of the table of everybody. */
const EXPORTED = [
  ...(['name', 'born', 'phone', 'email', 'work', 'medicines', 'notes'] as const),
  ...(['faceHeightMm', 'faceWidthMm'] as const),
]
/** Everybody who is on file, by name: as a table, or as cards. */
export async function clientsAs(kind: ExportAs): Promise<string> {
  const rows = await database()
    .select()
    .from(clients)
    .where(isNull(clients.erasedAt))
    .orderBy(sql`lower(${clients.name})`)
  if (kind === 'vcards') return writeVcards(rows)
  return writeCsv(
    EXPORTED,
    rows.map((row) => EXPORTED.map((field) => row[field])),
  )
}
