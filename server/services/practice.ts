import { practice } from '#db/schema'
import { notFound } from '../problem/problem'
import { database } from './database'

/** The house: its one row. */
export async function thePractice() {
  const [house] = await database().select().from(practice)
  if (!house) throw notFound()
  return house
}
