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

const MIN = 60_000
const overlap = (a0: number, a1: number, b0: number, b1: number) => a0 < b1 && b0 < a1

/**
 * Everything taken twice among the bookings. `shared` counts how many of a device the practice has.
 */
export function diaryConflicts(
  bookings: readonly Booking[],
  shared: Partial<Record<DeviceKind, number>> = {},
): DiaryConflict[] {
  const out: DiaryConflict[] = []
  const sorted = [...bookings].sort((a, b) => a.start - b.start || (a.id < b.id ? -1 : 1))
  sorted.forEach((a, i) =>
    sorted.slice(i + 1).forEach((b) => {
      const aEnd = a.start + a.minutes * MIN
      const bEnd = b.start + b.minutes * MIN
      const both = overlap(a.start, aEnd, b.start, bEnd)
      const hit = (kind: DiaryConflict['kind'], sentence: string, device?: DeviceKind) =>
        out.push({ kind, a: a.id, b: b.id, sentence, ...(device ? { device } : {}) })
      if (both && a.roomId === b.roomId) hit('room', 'The room is taken twice.')
      else if (a.roomId === b.roomId && b.start < aEnd + a.cleaningMinutes * MIN)
        hit('cleaning', `No time to clean: ${a.cleaningMinutes} min are needed between the two.`)
      if (both && a.staffId === b.staffId) hit('person', 'The therapist is booked twice.')
      if (both && a.clientId === b.clientId) hit('client', 'The client is booked twice.')
      for (const da of a.devices)
        for (const db of b.devices) {
          if (da.kind !== db.kind || (shared[da.kind] ?? 1) > 1) continue
          if (
            overlap(
              a.start + da.from * MIN,
              a.start + da.to * MIN,
              b.start + db.from * MIN,
              b.start + db.to * MIN,
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
