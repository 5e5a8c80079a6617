import { and, asc, desc, eq, lt } from 'drizzle-orm'
import { HOME_REGIONS } from '#core/catalogue/consultation/home'
import type { Poured } from '#core/load/ledger'
import type { PastWork } from '#core/load/rest'
import type { RecordDraft } from '#core/record/build'
import { lastTimes } from '#core/visit/lastTime'
import type { VisitBundle } from '#core/visit/bundle'
import type { SealedWork } from '#core/record/work'
import type { TreatmentEvent } from '#core/treatment/events'
import { homeUse, sealItems, staff, visitEvents, visits } from '#db/schema'
import { database } from './database'
import { dayIn } from './dates'

/** What earlier visits and home have left: work that asks for rest, and what was poured in. */
export async function pastOf(
  clientId: string,
  before: Date,
  zone: string,
): Promise<{ past: PastWork[]; poured: Poured[] }> {
  const db = database()
  const rows = await db
    .select({ at: visits.startsAt, content: sealItems.content })
    .from(sealItems)
    .innerJoin(visits, eq(visits.id, sealItems.visitId))
    .where(
      and(eq(visits.clientId, clientId), eq(sealItems.name, 'work'), lt(visits.startsAt, before)),
    )
    .orderBy(desc(visits.startsAt))
    .limit(60)
  const past: PastWork[] = []
  const poured: Poured[] = []
  for (const row of rows) {
    const work = row.content as unknown as SealedWork | null
    if (!work) continue
    past.push({
      day: dayIn(zone, row.at),
      families: work.families,
      regions: work.regions,
      techniques: work.techniques,
      ...(work.taken === undefined ? {} : { taken: work.taken }),
    })
    poured.push({ at: row.at.getTime(), label: work.label, loads: work.loads })
  }
  const home = await db
    .select()
    .from(homeUse)
    .where(and(eq(homeUse.clientId, clientId), lt(homeUse.at, before)))
  for (const use of home)
    poured.push({
      at: use.at.getTime(),
      label: use.label,
      loads: Object.fromEntries(HOME_REGIONS.map((region) => [region, use.hundredths])),
    })
  return { past, poured: poured.sort((one, other) => one.at - other.at) }
}

/** How each technique went at the last sealed visit before a moment. */
export async function lastTimeOf(
  clientId: string,
  before: Date,
  zone: string,
): Promise<VisitBundle['lastTime']> {
  const [row] = await database()
    .select({ at: visits.startsAt, makeUp: visits.makeUp, content: sealItems.content })
    .from(sealItems)
    .innerJoin(visits, eq(visits.id, sealItems.visitId))
    .where(
      and(
        eq(visits.clientId, clientId),
        eq(sealItems.name, 'treatment'),
        lt(visits.startsAt, before),
      ),
    )
    .orderBy(desc(visits.startsAt))
    .limit(1)
  const times = lastTimes(row?.content as unknown as RecordDraft | null | undefined)
  if (!row || times.length === 0) return null
  const { at, makeUp } = row
  return { at: at.getTime(), day: dayIn(zone, at), makeUp, times }
}

export async function eventsOf(visitId: string): Promise<TreatmentEvent[]> {
  const rows = await database()
    .select({ tap: visitEvents, by: staff.name })
    .from(visitEvents)
    .innerJoin(staff, eq(staff.id, visitEvents.by))
    .where(eq(visitEvents.visitId, visitId))
    .orderBy(asc(visitEvents.at))
  return rows.flatMap(({ tap: row, by }) =>
    row.body
      ? [
          {
            id: row.id,
            at: row.at,
            deviceId: row.deviceId,
            seq: row.seq,
            planVersion: row.planVersion,
            body: row.body,
            by,
          },
        ]
      : [],
  )
}
