import type { PeoplePage } from '#contracts/replies/people'
import { and, asc, count, ilike, inArray, isNull, or, sql } from 'drizzle-orm'
import type { PeopleQuery } from '#contracts/people'
import { clients, visits } from '#db/schema'
import { inCare } from '../access'
import { database } from '../database'
import { dayBounds, dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

/**
 * A page of the clients in one's care, by name; beside them the days of the last visit that was
 * begun and of the next that is booked, in the house's own time. Visits are looked up for the page's
 * clients only, so that the length of the list does not matter.
 */
export async function listPeople(
  me: Staff,
  { q: words, page, size }: PeopleQuery,
): Promise<PeoplePage> {
  const like = `%${words.replace(/[%_\\]/g, '\\$&')}%`
  const wanted = and(
    inCare(me),
    isNull(clients.erasedAt),
    words === '' ? undefined : or(ilike(clients.name, like), ilike(clients.work, like)),
  )
  const [[all], rows] = await Promise.all([
    database().select({ total: count() }).from(clients).where(wanted),
    database()
      .select({ id: clients.id, name: clients.name, work: clients.work, born: clients.born })
      .from(clients)
      .where(wanted)
      .orderBy(asc(sql`lower(${clients.name})`), asc(clients.id))
      .limit(size)
      .offset((page - 1) * size),
  ])
  const days = await visitDays(rows.map((row) => row.id))
  const total = all?.total ?? 0
  return {
    people: rows.map((row) => ({ ...row, ...(days.get(row.id) ?? { last: null, next: null }) })),
    total,
    page,
    pages: Math.max(1, Math.ceil(total / size)),
  }
}

async function visitDays(ids: readonly string[]) {
  if (ids.length === 0) return new Map<string, { last: string | null; next: string | null }>()
  const { timeZone } = await thePractice()
  const { from } = dayBounds(timeZone, dayIn(timeZone, new Date()))
  const begun = sql`${visits.status} in ('treating', 'closing', 'sealed')`
  const ahead = sql`${visits.status} = 'booked' and ${visits.startsAt} >= ${from.toISOString()}::timestamptz`
  const day = (at: string | null) => (at ? dayIn(timeZone, new Date(at)) : null)
  const rows = await database()
    .select({
      id: visits.clientId,
      last: sql<
        string | null
      >`max(coalesce(${visits.begunAt}, ${visits.startsAt})) filter (where ${begun})`,
      next: sql<string | null>`min(${visits.startsAt}) filter (where ${ahead})`,
    })
    .from(visits)
    .where(inArray(visits.clientId, [...ids]))
    .groupBy(visits.clientId)
  return new Map(rows.map((row) => [row.id, { last: day(row.last), next: day(row.next) }]))
}
