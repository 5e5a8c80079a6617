import { MINUTE_MS } from '../units'
import type { DeviceKind } from '../catalogue/kinds'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES } from '../catalogue/techniques/techniques'

/**
 * A booked visit as the day's diary sees it. Times are milliseconds since 1970; cleaning follows
 * the visit.
 */
export interface Booking {
  id: string
  roomId: string
  staffId: string
  clientId: string
  start: number
  minutes: number
  cleaningMinutes: number
  /** Devices shared between rooms that the visit needs, and when: minutes from its start. */
  devices: readonly { kind: DeviceKind; from: number; to: number }[]
}

export interface DiaryConflict {
  kind: 'room' | 'person' | 'client' | 'device' | 'cleaning'
  a: string
  b: string
  device?: DeviceKind
  sentence: string
}

const overlap = (a0: number, a1: number, b0: number, b1: number) => a0 < b1 && b0 < a1

/**
 * Everything taken twice among the bookings. `shared` counts how many of a device the practice has.
 */
export function diaryConflicts(
  bookings: readonly Booking[],
  shared: Partial<Record<DeviceKind, number>> = {},
): DiaryConflict[] {
  const out: DiaryConflict[] = []
  const sorted = [...bookings].sort(
    (one, other) => one.start - other.start || (one.id < other.id ? -1 : 1),
  )
  sorted.forEach((booking, i) =>
    sorted.slice(i + 1).forEach((later) => {
      const aEnd = booking.start + booking.minutes * MINUTE_MS
      const bEnd = later.start + later.minutes * MINUTE_MS
      const both = overlap(booking.start, aEnd, later.start, bEnd)
      const hit = (kind: DiaryConflict['kind'], sentence: string, device?: DeviceKind) =>
        out.push({ kind, a: booking.id, b: later.id, sentence, ...(device ? { device } : {}) })
      if (both && booking.roomId === later.roomId) hit('room', 'The room is taken twice.')
      else if (
        booking.roomId === later.roomId &&
        later.start < aEnd + booking.cleaningMinutes * MINUTE_MS
      )
        hit(
          'cleaning',
          `No time to clean: ${booking.cleaningMinutes} min are needed between the two.`,
        )
      if (both && booking.staffId === later.staffId) hit('person', 'The therapist is booked twice.')
      if (both && booking.clientId === later.clientId) hit('client', 'The client is booked twice.')
      for (const da of booking.devices)
        for (const db of later.devices) {
          if (da.kind !== db.kind || (shared[da.kind] ?? 1) > 1) continue
          if (
            overlap(
              booking.start + da.from * MINUTE_MS,
              booking.start + da.to * MINUTE_MS,
              later.start + db.from * MINUTE_MS,
              later.start + db.to * MINUTE_MS,
            )
          )
            hit('device', 'A shared device is needed twice at the same time.', da.kind)
        }
    }),
  )
  return out
}

/** When a plan needs each device, in minutes from its start. */
export function deviceTimes(
  steps: readonly Pick<PlanStep, 'technique' | 'minutes'>[],
): Booking['devices'] {
  const out: { kind: DeviceKind; from: number; to: number }[] = []
  let clock = 0
  for (const { technique, minutes } of steps) {
    const { device } = TECHNIQUES[technique]
    if (device) out.push({ kind: device, from: clock, to: clock + minutes })
    clock += minutes
  }
  return out
}
