import { and, desc, eq, gt, inArray, lt, ne, sql } from 'drizzle-orm'
import type { DeviceInUse } from '#core/planning/input'
import { asRead } from '#core/dateForms'
import { deviceTimes } from '#core/timing/diary'
import { inUseFor, type DeviceTime, type DeviceUse } from '#core/timing/sharedDevices'
import { MINUTE_MS } from '#core/units'
import { devices, plans, rooms, visits } from '#db/schema'
import type { Transaction } from '../database'
import { LONGEST_MS } from './openings'

type Reader = Pick<Transaction, 'select' | 'selectDistinctOn'>
/** A visit as it stands or is to stand. */
interface Standing {
  id: string
  roomId: string
  startsAt: Date
  minutes: number
  lateMinutes?: number
  begunAt?: Date | null
}

/**
 * Whoever gives out devices does it alone until the transaction ends: two plans saved at once never get
 * the same one. It comes before any visit is held.
 */
export async function holdDevices(tx: Pick<Transaction, 'execute'>): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(hashtext('devices'))`)
}

/** When the latest plan of a visit wants devices, in minutes from its start. */
export async function wantedBy(db: Reader, visitId: string): Promise<DeviceTime[]> {
  const [plan] = await db
    .select({ steps: plans.steps })
    .from(plans)
    .where(eq(plans.visitId, visitId))
    .orderBy(desc(plans.version))
    .limit(1)
  return deviceTimes(plan?.steps ?? [])
}

/** When planned visits between two moments want devices, in minutes since 1970; one visit aside. */
export async function usesBetween(
  db: Reader,
  { from, to }: { from: Date; to: Date },
  without: string | undefined,
): Promise<DeviceUse[]> {
  const rows = await db
    .selectDistinctOn([plans.visitId], {
      roomId: visits.roomId,
      startsAt: visits.startsAt,
      lateMinutes: visits.lateMinutes,
      begunAt: visits.begunAt,
      steps: plans.steps,
    })
    .from(plans)
    .innerJoin(visits, eq(visits.id, plans.visitId))
    .where(
      and(
        gt(visits.startsAt, new Date(from.getTime() - LONGEST_MS)),
        lt(visits.startsAt, to),
        inArray(visits.status, ['booked', 'treating']),
        eq(visits.imported, false),
        ...(without === undefined ? [] : [ne(visits.id, without)]),
      ),
    )
    .orderBy(plans.visitId, desc(plans.version))
  return rows.flatMap(({ roomId, steps, ...own }) => {
    const start = startOf(own)
    return deviceTimes(steps ?? []).map(({ kind, name, from: after, to: until }) => ({
      ...{ kind, name, roomId },
      from: start + after,
      to: start + until,
    }))
  })
}

/** When the hands began, or will: minutes since 1970; a client who came late is begun with later. */
const startOf = ({
  startsAt,
  lateMinutes = 0,
  begunAt,
}: Pick<Standing, 'startsAt' | 'lateMinutes' | 'begunAt'>): number =>
  begunAt ? Math.floor(begunAt.getTime() / MINUTE_MS) : startsAt.getTime() / MINUTE_MS + lateMinutes

/**
 * Devices that other rooms use around a visit, in minutes from its start: "in the Stove room from 10:20
 * to 10:35". As far ahead as one plan may still be put off.
 */
export async function devicesInUse(
  db: Reader,
  visit: Standing,
  timeZone: string,
): Promise<DeviceInUse[]> {
  const start = startOf(visit)
  const to = new Date(visit.startsAt.getTime() + 2 * LONGEST_MS)
  const [uses, own, names] = await Promise.all([
    usesBetween(db, { from: visit.startsAt, to }, visit.id),
    db.select().from(devices),
    db.select({ id: rooms.id, name: rooms.name }).from(rooms),
  ])
  const at = (minute: number) => asRead('clock', minute * MINUTE_MS, timeZone)
  return inUseFor(visit.roomId, uses, own).map(({ kind, name, from, to: until, roomId }) => {
    const room = names.find(({ id }) => id === roomId)?.name ?? 'another room'
    const words = `in use in ${room} from ${at(from)} to ${at(until)}`
    return { kind, name, from: from - start, to: until - start, words }
  })
}
