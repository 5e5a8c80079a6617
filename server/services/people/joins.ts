import { and, desc, eq, isNull, ne, or, sql } from 'drizzle-orm'
import type { FilesOfOne } from '#contracts/replies/people'
import { clientJoins, clients, staff } from '#db/schema'
import { codeOf } from '../../problem/fromDatabase'
import { conflict, forbidden, notFound, ProblemError, refused } from '../../problem/problem'
import { clientFor, type Client } from '../access'
import { database } from '../database'
import type { Staff } from '../session/session'

/** So many likely doubles are shown at most. */
const SHOWN = 10
/** Fewer digits are an extension, not a telephone. */
const TELLING_DIGITS = 6
/** Raised by the database's own functions where there is nothing to join or part. */
const NOTHING_THERE = 'P0002'

/** @throws ProblemError 403 for anybody but an owner: two files of health become one */
export async function fileOfOwner(
  me: Staff,
  clientId: string,
  action: 'client.look' | 'client.join' | 'client.part',
): Promise<Client> {
  if (me.role !== 'owner') {
    // Whose file it was stands in the line of the refusal, where this person may know it.
    await clientFor(me, clientId, action).catch(() => undefined)
    throw forbidden('Only the owner joins files.')
  }
  return clientFor(me, clientId, action)
}

const digitsOf = (column: unknown) => sql`regexp_replace(coalesce(${column}, ''), '\\D', '', 'g')`

/**
 * Files that may be of the same person: the same name with no other birthday, or the same birthday with
 * the same telephone or address. And what was joined into this file already.
 */
export async function filesOfOne(client: Client): Promise<FilesOfOne> {
  const sameName = sql`lower(${clients.name}) = lower(${client.name})`
  const sameBirthday = client.born === null ? sql`false` : eq(clients.born, client.born)
  const noOtherBirthday =
    client.born === null ? sql`true` : or(isNull(clients.born), eq(clients.born, client.born))
  const phone = (client.phone ?? '').replace(/\D/g, '')
  const samePhone =
    phone.length < TELLING_DIGITS ? sql`false` : sql`${digitsOf(clients.phone)} = ${phone}`
  const sameMail = client.email ? sql`lower(${clients.email}) = lower(${client.email})` : sql`false`
  const [likely, joins] = await Promise.all([
    database()
      .select({
        id: clients.id,
        name: clients.name,
        born: clients.born,
        phone: clients.phone,
        email: clients.email,
        work: clients.work,
      })
      .from(clients)
      .where(
        and(
          isNull(clients.erasedAt),
          ne(clients.id, client.id),
          or(and(sameName, noOtherBirthday), and(sameBirthday, or(samePhone, sameMail))),
        ),
      )
      .orderBy(sql`lower(${clients.name})`, clients.id)
      .limit(SHOWN),
    database()
      .select({
        id: clientJoins.id,
        joined: clientJoins.joined,
        at: clientJoins.at,
        by: staff.name,
      })
      .from(clientJoins)
      .innerJoin(staff, eq(staff.id, clientJoins.by))
      .where(and(eq(clientJoins.keptId, client.id), isNull(clientJoins.partedAt)))
      .orderBy(desc(clientJoins.at)),
  ])
  return {
    likely,
    joined: joins.flatMap(({ joined, at, ...own }) =>
      joined ? [{ ...own, name: String(joined.name), at: at.getTime() }] : [],
    ),
  }
}

/**
 * Everything of another file is hung on this one; it can be parted again. Sent twice it is joined once.
 * @throws ProblemError 409 where both are booked at the same time, 422 where there are not two files
 */
export async function joinFiles(
  me: Staff,
  kept: Client,
  { id, otherId }: { id: string; otherId: string },
): Promise<void> {
  try {
    await database().execute(
      sql`select join_clients(${id}::uuid, ${kept.id}::uuid, ${otherId}::uuid, ${me.id}::uuid)`,
    )
  } catch (error) {
    if (codeOf(error) === NOTHING_THERE)
      throw refused('Two different files are needed. The other one may be joined already.', [
        { field: 'otherId', given: otherId, allowed: 'another client on file' },
      ])
    if (codeOf(error) === '23P01')
      throw conflict('Both files have a visit at the same time. Cancel one of them, then join.')
    throw error
  }
}

/**
 * Two files again, each with what it had; what was written since stays here.
 * @throws ProblemError 404 for a join of another file
 */
export async function partFiles(kept: Client, joinId: string): Promise<void> {
  const [made] = await database()
    .select({ id: clientJoins.id })
    .from(clientJoins)
    .where(and(eq(clientJoins.id, joinId), eq(clientJoins.keptId, kept.id)))
  if (!made) throw notFound()
  try {
    await database().execute(sql`select part_clients(${joinId}::uuid)`)
  } catch (error) {
    if (codeOf(error) === NOTHING_THERE)
      throw new ProblemError(410, 'Gone', 'This cannot be separated: the other file was erased.')
    throw error
  }
}
