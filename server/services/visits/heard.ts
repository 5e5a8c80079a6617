import { eq, max } from 'drizzle-orm'
import { consultations } from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import { recalledLots } from '../shelf/recalls'
import { readTaps } from './events'

/** What a tablet in the room has to hear: taps, bottles that are called back, and what was told. */
export async function heardIn(visit: Pick<Visit, 'id'>) {
  const [events, recalled, [told]] = await Promise.all([
    readTaps(visit),
    recalledLots(),
    database()
      .select({ at: max(consultations.at) })
      .from(consultations)
      .where(eq(consultations.visitId, visit.id)),
  ])
  return { events, recalled, toldAt: told?.at?.getTime() ?? null, now: Date.now() }
}
export type Heard = Awaited<ReturnType<typeof heardIn>>
