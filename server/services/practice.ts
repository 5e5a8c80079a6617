import { oncePer } from '#core/once'
import { practice } from '#db/schema'
import { notFound } from '../problem/problem'
import { askedOnce } from './askedOnce'
import { database, type Database, type Transaction } from './database'

/** Asked by most requests: put together once. */
const itsRow = oncePer((db: Database) => db.select().from(practice).prepare('the practice'))

/**
 * The house: its one row.
 * @param tx the transaction, inside one
 */
export async function thePractice(tx?: Transaction) {
  const [house] = await (tx
    ? tx.select().from(practice)
    : askedOnce('practice', () => itsRow(database()).execute()))
  if (!house) throw notFound()
  return house
}
