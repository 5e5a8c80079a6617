import { and, count, desc, eq } from 'drizzle-orm'
import type { FileVisits } from '#contracts/replies/clientFile'
import { sealItems, staff, visits } from '#db/schema'
import { database } from '../database'
import { MOMENT } from '../visits/moment'

const PAGE_SIZE = 25
const labelOf = (work: unknown): string | null =>
  typeof work === 'object' && work !== null && 'label' in work ? String(work.label) : null

/**
 * A page of a client's visits, newest first, with what their seal says was done; those that fell
 * away with how and why.
 * @param page from 1
 */
export async function visitsOf(clientId: string, page: number): Promise<FileVisits> {
  const own = eq(visits.clientId, clientId)
  const [[all], rows] = await Promise.all([
    database().select({ total: count() }).from(visits).where(own),
    database()
      .select({
        id: visits.id,
        startsAt: MOMENT,
        minutes: visits.minutes,
        status: visits.status,
        staff: staff.name,
        fellAway: visits.fellAway,
        because: visits.fellAwayBecause,
        work: sealItems.content,
      })
      .from(visits)
      .innerJoin(staff, eq(staff.id, visits.staffId))
      .leftJoin(sealItems, and(eq(sealItems.visitId, visits.id), eq(sealItems.name, 'work')))
      .where(own)
      .orderBy(desc(MOMENT), desc(visits.id))
      .limit(PAGE_SIZE)
      .offset((page - 1) * PAGE_SIZE),
  ])
  const total = all?.total ?? 0
  return {
    total,
    page,
    pages: Math.max(1, Math.ceil(total / PAGE_SIZE)),
    visits: rows.map(({ startsAt, work, ...row }) => ({
      ...row,
      startsAt: startsAt.getTime(),
      work: labelOf(work),
    })),
  }
}
