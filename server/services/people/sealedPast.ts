import { and, asc, desc, eq, lt } from 'drizzle-orm'
import { HOME_REGIONS } from '#core/catalogue/consultation/home'
import type { Poured } from '#core/load/ledger'
import type { RecordDraft } from '#core/record/build'
import type { SealedWork } from '#core/record/work'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import { readParts } from '#core/visit/record'
import { homeUse, sealItems, staff, visitEvents, visits } from '#db/schema'
import { database } from '../database'
import { beforeMoment, MOMENT } from '../visits/moment'

/** How much of a client's past is looked through. */
const MOST = 60

/** A visit that was treated, with what its record or its taps say of it. */
export interface Treated {
  /** Of this house's own visit; one of another house has none. */
  id?: string
  at: Date
  makeUp: (typeof visits.$inferSelect)['makeUp']
  work: SealedWork | null
  treatment: RecordDraft | null
}

/** What the sealed records of a client say was done before a moment, the latest first. */
export async function sealedBefore(clientId: string, before: Date): Promise<Treated[]> {
  const rows = await database()
    .select({
      id: visits.id,
      at: MOMENT,
      makeUp: visits.makeUp,
      name: sealItems.name,
      content: sealItems.content,
    })
    .from(sealItems)
    .innerJoin(visits, eq(visits.id, sealItems.visitId))
    .where(and(eq(visits.clientId, clientId), beforeMoment(before)))
    .orderBy(desc(MOMENT))
    .limit(MOST * PARTS_MOST)
  const found = new Map<string, Treated>()
  for (const { id, at, makeUp, name, content } of rows) {
    const own = found.get(id) ?? { id, at, makeUp, work: null, treatment: null }
    const { work, treatment } = readParts([{ name, content }])
    found.set(id, { ...own, work: work ?? own.work, treatment: treatment ?? own.treatment })
  }
  return [...found.values()].slice(0, MOST)
}
/** A record has no more parts than this. */
const PARTS_MOST = 10

/** What was poured in at home before a moment. */
export async function atHomeBefore(clientId: string, before: Date): Promise<Poured[]> {
  const home = await database()
    .select()
    .from(homeUse)
    .where(and(eq(homeUse.clientId, clientId), lt(homeUse.at, before)))
  return home.map((use) => ({
    at: use.at.getTime(),
    label: use.label,
    loads: Object.fromEntries(HOME_REGIONS.map((region) => [region, use.hundredths])),
  }))
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
