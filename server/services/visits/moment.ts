import { sql } from 'drizzle-orm'
import { visits } from '#db/schema'

/** When a visit was treated; while it has not begun, when it is booked for. */
export const momentOf = ({ begunAt, startsAt }: { begunAt: Date | null; startsAt: Date }): Date =>
  begunAt ?? startsAt

/** Visits that were treated, or are booked, before a moment. */
export const beforeMoment = (at: Date) =>
  sql`coalesce(${visits.begunAt}, ${visits.startsAt}) < ${at.toISOString()}::timestamptz`

/** When it was, for asking the tables. */
export const MOMENT = sql<Date>`coalesce(${visits.begunAt}, ${visits.startsAt})`.mapWith(
  visits.startsAt,
)
