import { eq } from 'drizzle-orm'
import type { ForecastLine } from '#core/aftercare/forecast'
import { forecastOfVisit } from '#core/visit/forecast'
import { staff } from '#db/schema'
import type { Visit } from '../access'
import { database } from '../database'
import { readBundle } from '../visits/bundle'

/** What may come after a visit, as its therapist's eyes have it: the client asks without an account. */
export async function forecastKept(visit: Visit): Promise<ForecastLine[]> {
  const [holder] = await database().select().from(staff).where(eq(staff.id, visit.staffId))
  return holder ? forecastOfVisit(await readBundle(holder, visit)) : []
}
