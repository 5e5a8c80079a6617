import type { PeoplePage } from '#contracts/replies/people'
import { and, asc, count, desc, ilike, inArray, isNull, or, sql, type SQL } from 'drizzle-orm'
import type { PeopleOrder, PeopleQuery } from '#contracts/people'
import { treats } from '#core/visit/roles'
import { clients, visits } from '#db/schema'
import { inCare } from '../access'
import { database } from '../database'
import { dayBounds, dayIn } from '../dates'
import { thePractice } from '../practice'
import type { Staff } from '../session/session'

const ZERO = { last: null, next: null }

/**
 * A page of the clients in one's care, in the order that is asked for; beside them the days of the
 * last visit that was begun and of the next that is booked, in the house's own time. Visits are looked
 * up for the page's clients only, unless the list is put in order by them, so that the length of the
 * list does not matter.
 */
export async function listPeople(
  me: Staff,
  { q: words, tag, page, size, order, down }: PeopleQuery,
): Promise<PeoplePage> {
  const like = `%${words.replace(/[%_\\]/g, '\\$&')}%`
  const wanted = and(
    inCare(me),
    isNull(clients.erasedAt),
    tag === '' || !treats(me.role) ? undefined : carries(tag),
    words === '' ? undefined : or(ilike(clients.name, like), ilike(clients.work, like)),
  )
  const { timeZone } = await thePractice()
  const today = dayBounds(timeZone, dayIn(timeZone, new Date())).from
  const byName = asc(sql`lower(${clients.name})`)
  const by = down ? desc(keyOf(order, today)) : asc(keyOf(order, today))
  // Whoever has nothing there comes last, whichever way.
  const first = order === 'name' ? by : sql`${by} nulls last`
  const [[all], inUse, rows] = await Promise.all([
    database().select({ total: count() }).from(clients).where(wanted),
    tagsInUse(me),
    database()
      .select({
        id: clients.id,
        name: clients.name,
        work: clients.work,
        born: clients.born,
        phone: clients.phone,
        tags: clients.tags,
      })
      .from(clients)
      .where(wanted)
      .orderBy(first, byName, asc(clients.id))
      .limit(size)
      .offset((page - 1) * size),
  ])
  const [days, shared] = await Promise.all([
    visitDays(
      rows.map((row) => row.id),
      timeZone,
      today,
    ),
    sharedNames(rows.map((row) => row.name)),
  ])
  const total = all?.total ?? 0
  return {
    people: rows.map((row) => ({
      ...row,
      alike: shared.has(row.name),
      tags: treats(me.role) ? row.tags : [],
      ...(days.get(row.id) ?? ZERO),
    })),
    tags: inUse,
    total,
    page,
    pages: Math.max(1, Math.ceil(total / size)),
  }
}

const carries = (tag: string): SQL =>
  sql`${clients.tags} <> '[]' and ${clients.tags} @> ${JSON.stringify([tag])}::jsonb`

/** So many tags are offered at most. */
const SHOWN = 60
/** Every tag of the clients in one's care; the desk sees none: a tag may speak of health. */
async function tagsInUse(me: Staff): Promise<string[]> {
  if (!treats(me.role)) return []
  const tag = sql<string>`jsonb_array_elements_text(${clients.tags})`
  const rows = await database()
    .selectDistinct({ tag })
    .from(clients)
    .where(and(inCare(me), isNull(clients.erasedAt), sql`${clients.tags} <> '[]'`))
    .limit(SHOWN)
  return rows.map((row) => row.tag).sort((one, other) => one.localeCompare(other, 'en'))
}

/**
 * Which of these names more than one on file bears, however it is written. Asked once for a page: where
 * several practices share the database, what asks for each row by itself reads all of them each time.
 */
async function sharedNames(names: readonly string[]): Promise<Set<string>> {
  if (names.length === 0) return new Set()
  const key = sql<string>`lower(${clients.name})`
  const keys = names.map((name) => sql`lower(${name})`)
  const rows = await database()
    .select({ names: sql<string[]>`array_agg(distinct ${clients.name})` })
    .from(clients)
    .where(and(sql`${key} in (${sql.join(keys, sql`, `)})`, isNull(clients.erasedAt)))
    .groupBy(key)
    .having(sql`count(*) > 1`)
  return new Set(rows.flatMap((row) => row.names))
}

/** The moment of the last visit that was begun, and of the next that is booked. */
const lastBegun = sql<string | null>`max(coalesce(${visits.begunAt}, ${visits.startsAt}))
  filter (where ${visits.status} in ('treating', 'closing', 'sealed'))`
const nextBooked = (today: Date) => sql<string | null>`min(${visits.startsAt})
  filter (where ${visits.status} = 'booked'
    and ${visits.startsAt} >= ${today.toISOString()}::timestamptz)`

/** What a list is put in order by. */
function keyOf(order: PeopleOrder, today: Date): SQL {
  if (order === 'name') return sql`lower(${clients.name})`
  if (order === 'work') return sql`lower(nullif(${clients.work}, ''))`
  const moment = order === 'last' ? lastBegun : nextBooked(today)
  return sql`(select ${moment} from ${visits} where ${visits.clientId} = clients.id)`
}

async function visitDays(ids: readonly string[], timeZone: string, today: Date) {
  if (ids.length === 0) return new Map<string, { last: string | null; next: string | null }>()
  const day = (at: string | null) => (at ? dayIn(timeZone, new Date(at)) : null)
  const rows = await database()
    .select({ id: visits.clientId, last: lastBegun, next: nextBooked(today) })
    .from(visits)
    .where(inArray(visits.clientId, [...ids]))
    .groupBy(visits.clientId)
  return new Map(rows.map((row) => [row.id, { last: day(row.last), next: day(row.next) }]))
}
