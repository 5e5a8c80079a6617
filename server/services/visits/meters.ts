import { and, asc, desc, eq } from 'drizzle-orm'
import type { z } from 'zod'
import type { meterPost } from '#contracts/visit'
import { METERS, METER_KINDS, type MeterKind } from '#core/catalogue/skin/meters'
import { summarise } from '#core/skin/meters'
import { ZONE_IDS, type ZoneId } from '#core/face/zones'
import type { MeterReading } from '#core/visit/bundle'
import { meterReadings, visits } from '#db/schema'
import { refused } from '../../problem/problem'
import type { Visit } from '../access'
import { database } from '../database'
import { beforeMoment, momentOf } from './moment'
import { batteryLow, takeReadings } from '../devices/meterLine'
import type { Staff } from '../session/session'
import { mustAccept } from './holding'

const door = () => useRuntimeConfig().meters

/** Meters this house has, by what its bench is set up for. */
export const listMeters = () => (door() ? METER_KINDS.map((kind) => METERS[kind]) : [])

/**
 * Takes a row of readings on one zone and keeps it with median and spread. The same id twice is one
 * reading.
 */
export async function takeMeter(
  me: Staff,
  visit: Visit,
  body: z.infer<typeof meterPost>,
): Promise<{ reading: MeterReading; batteryLow: boolean }> {
  mustAccept(visit, 'meters')
  if (!door()) throw refused('No meter is set up here.')
  const taken = await takeReadings(door(), body.kind)
  const { median, spread } = summarise(taken.values)
  const at = new Date()
  await database()
    .insert(meterReadings)
    .values({
      id: body.id,
      visitId: visit.id,
      clientId: visit.clientId,
      kind: body.kind,
      zone: body.zone,
      phase: body.phase,
      serial: taken.serial,
      unit: taken.unit,
      taken: taken.values,
      median,
      spread,
      by: me.id,
      at,
    })
    .onConflictDoNothing()
  return {
    reading: {
      id: body.id,
      kind: body.kind,
      zone: body.zone,
      phase: body.phase,
      values: taken.values,
      median,
      spread,
      at: at.getTime(),
    },
    batteryLow: batteryLow(taken.battery),
  }
}

type Row = typeof meterReadings.$inferSelect
const zoneOf = (text: string): ZoneId | undefined => ZONE_IDS.find((zone) => zone === text)
const kindOf = (text: string): MeterKind | undefined =>
  METER_KINDS.find((meterKind) => meterKind === text)
const toReading = (row: Row): MeterReading[] => {
  const kind = kindOf(row.kind)
  const zone = zoneOf(row.zone)
  return kind && zone && row.taken && row.median !== null && row.spread !== null
    ? [
        {
          id: row.id,
          kind,
          zone,
          phase: row.phase,
          values: row.taken,
          median: row.median,
          spread: row.spread,
          at: row.at.getTime(),
        },
      ]
    : []
}

/** Today's readings, and for each meter and zone the latest of an earlier visit. */
export async function metersOf(
  visit: Visit,
): Promise<{ today: MeterReading[]; before: MeterReading[] }> {
  const db = database()
  const [mine, earlier] = await Promise.all([
    db
      .select()
      .from(meterReadings)
      .where(eq(meterReadings.visitId, visit.id))
      .orderBy(asc(meterReadings.at)),
    db
      .select({ m: meterReadings })
      .from(meterReadings)
      .innerJoin(visits, eq(visits.id, meterReadings.visitId))
      .where(and(eq(meterReadings.clientId, visit.clientId), beforeMoment(momentOf(visit))))
      .orderBy(desc(meterReadings.at))
      .limit(400),
  ])
  const before: MeterReading[] = []
  for (const row of earlier.flatMap((event) => toReading(event.m)))
    if (!before.some((item) => item.kind === row.kind && item.zone === row.zone)) before.push(row)
  return { today: mine.flatMap(toReading), before }
}
