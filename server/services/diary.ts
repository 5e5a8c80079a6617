import { and, asc, eq, gte, inArray, lt, ne } from 'drizzle-orm'
import { DEVICE_KINDS, type DeviceKind } from '#core/catalogue/kinds'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { diaryConflicts, type Booking } from '#core/timing/diary'
import {
  consultations,
  clients,
  consents,
  devices,
  plans,
  readings,
  rooms,
  seals,
  staff,
  visits,
} from '#db/schema'
import { database } from './database'
import { dayBounds } from './dates'
import { thePractice } from './practice'

/** When a plan needs each device, in minutes from its start. */
export function deviceTimes(steps: readonly PlanStep[]): Booking['devices'] {
  const out: { kind: DeviceKind; from: number; to: number }[] = []
  let clock = 0
  for (const s of steps) {
    const { device } = TECHNIQUES[s.technique]
    if (device) out.push({ kind: device, from: clock, to: clock + s.minutes })
    clock += s.minutes
  }
  return out
}

/** The day's visits by room with the state of each stop, and everything taken twice. */
export async function readDay(day: string) {
  const db = database()
  const house = await thePractice()
  const { from, to } = dayBounds(house.timeZone, day)
  const rows = await db
    .select({ v: visits, client: clients.name, staff: staff.name, role: staff.role })
    .from(visits)
    .innerJoin(clients, eq(clients.id, visits.clientId))
    .innerJoin(staff, eq(staff.id, visits.staffId))
    .where(and(gte(visits.startsAt, from), lt(visits.startsAt, to), ne(visits.status, 'cancelled')))
    .orderBy(asc(visits.startsAt))
  const ids = rows.map((r) => r.v.id)
  const none = ids.length === 0
  const [roomRows, deviceRows, asked, signed, read, planned, sealed] = await Promise.all([
    db.select().from(rooms).orderBy(asc(rooms.name)),
    db.select().from(devices),
    none
      ? []
      : db
          .selectDistinct({ id: consultations.visitId })
          .from(consultations)
          .where(inArray(consultations.visitId, ids)),
    none
      ? []
      : db
          .selectDistinct({ id: consents.visitId })
          .from(consents)
          .where(inArray(consents.visitId, ids)),
    none
      ? []
      : db
          .selectDistinct({ id: readings.visitId })
          .from(readings)
          .where(inArray(readings.visitId, ids)),
    none
      ? []
      : db
          .select({ id: plans.visitId, version: plans.version, steps: plans.steps })
          .from(plans)
          .where(inArray(plans.visitId, ids)),
    none ? [] : db.select({ id: seals.visitId }).from(seals).where(inArray(seals.visitId, ids)),
  ])
  const has = (list: { id: string }[], id: string) => list.some((x) => x.id === id)
  const planOf = (id: string) =>
    planned.filter((p) => p.id === id).sort((a, b) => b.version - a.version)[0]
  const bookings: Booking[] = rows.map((r) => ({
    id: r.v.id,
    roomId: r.v.roomId,
    staffId: r.v.staffId,
    clientId: r.v.clientId,
    start: r.v.startsAt.getTime(),
    minutes: r.v.minutes,
    cleaningMinutes: house.cleaningMinutes,
    devices: deviceTimes(planOf(r.v.id)?.steps ?? []),
  }))
  const counts = Object.fromEntries(
    DEVICE_KINDS.map((k) => [k, deviceRows.filter((d) => d.kind === k).length]),
  )
  return {
    day,
    now: Date.now(),
    timeZone: house.timeZone,
    cleaningMinutes: house.cleaningMinutes,
    rooms: roomRows,
    visits: rows.map((r) => ({
      id: r.v.id,
      clientId: r.v.clientId,
      client: r.client,
      staffId: r.v.staffId,
      staff: r.staff,
      roomId: r.v.roomId,
      startsAt: r.v.startsAt.getTime(),
      minutes: r.v.minutes,
      status: r.v.status,
      version: r.v.version,
      stops: {
        ask: has(asked, r.v.id) && has(signed, r.v.id),
        read: has(read, r.v.id),
        plan: (planOf(r.v.id)?.steps ?? []).length > 0,
        treat: r.v.status === 'closing' || r.v.status === 'sealed',
        close: has(sealed, r.v.id),
      },
    })),
    conflicts: diaryConflicts(bookings, counts),
  }
}
