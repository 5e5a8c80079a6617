import * as tables from './schema'
import { withOwner } from './owner'

/**
 * What a data folder holds: nothing, the invented house, somebody's own, or one that was begun as
 * somebody's own and waits for its first hour.
 */
export type Contents = 'nothing' | 'demo' | 'own' | 'begun'

/**
 * Read off the tables themselves, so that no file beside them can say otherwise. A house in which a
 * single demo account stands is the demo.
 * @param url the owner's connection
 */
export async function contentsOf(url: string): Promise<Contents> {
  return withOwner(url, async (db) => {
    const [house] = await db.select({ id: tables.practice.id }).from(tables.practice)
    const people = await db.select({ demo: tables.staff.demo }).from(tables.staff)
    const [meant] = await db.select({ kind: tables.houseKind.kind }).from(tables.houseKind)
    if (people.some((person) => person.demo)) return 'demo'
    if (house || people.length > 0) return 'own'
    return meant?.kind === 'own' ? 'begun' : 'nothing'
  })
}
