import * as tables from './schema'
import { withOwner } from './owner'

/** What a data folder holds: nobody's house yet, the invented one, or somebody's own. */
export type Contents = 'nothing' | 'demo' | 'own'

/**
 * Read off the tables themselves, so that no file beside them can say otherwise. A house in which a
 * single demo account stands is the demo.
 * @param url the owner's connection
 */
export async function contentsOf(url: string): Promise<Contents> {
  return withOwner(url, async (db) => {
    const [house] = await db.select({ id: tables.practice.id }).from(tables.practice)
    const people = await db.select({ demo: tables.staff.demo }).from(tables.staff)
    if (people.some((person) => person.demo)) return 'demo'
    return house || people.length > 0 ? 'own' : 'nothing'
  })
}
