import { and, desc, eq, isNull, lt, ne, sql, type SQL } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { FilesOfOne, LikelyPairs } from '#contracts/replies/people'
import { clientJoins, clients, staff } from '#db/schema'
import { codeOf } from '../../problem/fromDatabase'
import { conflict, forbidden, notFound, ProblemError, refused } from '../../problem/problem'
import { clientFor, type Client } from '../access'
import { database } from '../database'
import type { Staff } from '../session/session'

/** So many likely doubles are shown at most. */
const SHOWN = 50
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

const one = alias(clients, 'one')
const other = alias(clients, 'other')
const digitsOf = (column: unknown) => sql`regexp_replace(coalesce(${column}, ''), '\\D', '', 'g')`
/**
 * Two files are likely one person's: the same name with no other birthday, or the same birthday with
 * the same telephone or address. Two rules apart, so that each finds its pairs by its own index.
 */
const SAME_NAME = sql`lower(${one.name}) = lower(${other.name})
  and (${one.born} is null or ${other.born} is null or ${one.born} = ${other.born})`
const SAME_BIRTHDAY = sql`${one.born} = ${other.born} and (
  (length(${digitsOf(one.phone)}) >= ${TELLING_DIGITS}
    and ${digitsOf(one.phone)} = ${digitsOf(other.phone)})
  or (${one.email} <> '' and lower(${one.email}) = lower(${other.email})))`

const ofFile = (file: typeof one | typeof other) => ({
  id: file.id,
  name: file.name,
  born: file.born,
  phone: file.phone,
  email: file.email,
  work: file.work,
})
/** Pairs of files that one rule finds, each once with what is asked of it. */
const pairsBy = (rule: SQL, asked: SQL | undefined) =>
  database()
    .select({ one: ofFile(one), other: ofFile(other) })
    .from(one)
    .innerJoin(other, rule)
    .where(and(isNull(one.erasedAt), isNull(other.erasedAt), ne(one.id, other.id), asked))
    .orderBy(sql`lower(${one.name})`, one.id, other.id)
    .limit(SHOWN + 1)
async function pairs(asked: SQL | undefined): Promise<LikelyPairs> {
  const found = await Promise.all([SAME_NAME, SAME_BIRTHDAY].map((rule) => pairsBy(rule, asked)))
  const each = new Map(found.flat().map((pair) => [`${pair.one.id} ${pair.other.id}`, pair]))
  // In one order, so that no rule's pairs are left over for the other's.
  const byName = [...each.values()].sort((first, second) =>
    first.one.name.localeCompare(second.one.name, 'en', { sensitivity: 'base' }),
  )
  return { pairs: byName.slice(0, SHOWN), more: byName.length > SHOWN }
}

/** Files of the house that may be of one person, two and two. */
export const likelyPairs = (): Promise<LikelyPairs> => pairs(lt(one.id, other.id))

/** Files that may be of the same person as this one, and what was joined into it already. */
export async function filesOfOne(client: Client): Promise<FilesOfOne> {
  const [likely, joins] = await Promise.all([
    pairs(eq(one.id, client.id)),
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
    likely: likely.pairs.map((pair) => pair.other),
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
