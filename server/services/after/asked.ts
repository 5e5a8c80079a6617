import { desc, eq } from 'drizzle-orm'
import { homeAsked as homeAskedShape } from '#contracts/home'
import type { HomeAsked } from '#core/home/asked'
import { homeAsked, staff } from '#db/schema'
import { database } from '../database'

/** What was last said of home, and who wrote it down. */
export async function lastAsked(
  clientId: string,
): Promise<{ at: number; by: string; asked: HomeAsked } | null> {
  const [row] = await database()
    .select({ at: homeAsked.at, by: staff.name, asked: homeAsked.asked })
    .from(homeAsked)
    .innerJoin(staff, eq(staff.id, homeAsked.by))
    .where(eq(homeAsked.clientId, clientId))
    .orderBy(desc(homeAsked.at))
    .limit(1)
  return row ? { at: row.at.getTime(), by: row.by, asked: homeAskedShape.parse(row.asked) } : null
}
