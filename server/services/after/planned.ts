import { and, desc, eq, lt } from 'drizzle-orm'
import { plannedPourings } from '#core/home/planned'
import type { Poured } from '#core/load/ledger'
import { homeRoutines } from '#db/schema'
import { database } from '../database'
import { thePractice } from '../practice'

/** How many versions of a routine are looked through. */
const MOST = 20

/** Evenings of the routine that was in force before a moment, as they were planned. */
export async function plannedBefore(clientId: string, before: Date): Promise<Poured[]> {
  const { timeZone } = await thePractice()
  const rows = await database()
    .select({ at: homeRoutines.at, wishes: homeRoutines.wishes, routine: homeRoutines.routine })
    .from(homeRoutines)
    .where(and(eq(homeRoutines.clientId, clientId), lt(homeRoutines.at, before)))
    .orderBy(desc(homeRoutines.at))
    .limit(MOST)
  return plannedPourings(
    rows.map(({ at, wishes, routine }) => ({ at: at.getTime(), wishes, routine })),
    before.getTime(),
    timeZone,
  )
}
