import { DateTime } from 'luxon'
import * as tables from '../schema'
import { withOwner } from '../owner'
import { DEEP } from './clients'
import { seedDays } from './days'
import { seedHouse, seedShelf, STAFF, ZONE } from './house'
import { seedPast } from './pastVisits'
import { seedCleaning, seedTrolley } from './trolley'

/**
 * Loads the invented house, or brings it up to today. Loading twice changes nothing; all of it
 * is loaded or nothing.
 * @param url the owner's connection
 * @param now epoch milliseconds
 * @returns the demo's sign-ins, for printing
 * @throws Error where the tables hold somebody's own house: demo data never enters it
 */
export async function seedDemo(
  url: string,
  now: number,
): Promise<{ email: string; password: string; role: string; code: string }[]> {
  const today = DateTime.fromMillis(now, { zone: ZONE }).toISODate() ?? ''
  await withOwner(url, (owner) =>
    owner.transaction(async (db) => {
      const first = (await db.select().from(tables.practice)).length === 0
      const people = await db.select({ demo: tables.staff.demo }).from(tables.staff)
      if (!first && !people.some((person) => person.demo))
        throw new Error("This is not the demo. Demo data never enters a house of one's own.")
      if (first) await seedHouse(db)
      if (first) await seedTrolley(db)
      await seedShelf(db, today)
      if (first) for (const client of DEEP) await seedPast(db, client, today)
      if (first) await seedCleaning(db, today)
      await seedDays(db, today)
    }),
  )
  return STAFF.map(({ email, password, role, code }) => ({ email, password, role, code }))
}
