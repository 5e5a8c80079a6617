import { MINUTE_MS } from '../units'
import type { DeviceKey } from '../catalogue/techniques/ownShapes'
import type { PlanStep } from '../catalogue/techniques/step'
import { deviceOf, techniqueOf } from '../catalogue/techniques/ownWay'
import {
  clashesOf,
  inUseFor,
  type DeviceTime,
  type StepDevice,
  type DeviceUse,
  type OwnDevice,
} from './sharedDevices'

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
  devices: readonly DeviceTime[]
}

export interface DiaryConflict {
  kind: 'room' | 'person' | 'client' | 'device' | 'cleaning'
  a: string
  b: string
  device?: DeviceKey
  sentence: string
}

const overlap = (a0: number, a1: number, b0: number, b1: number) => a0 < b1 && b0 < a1

/** When a booking wants its devices, in minutes since 1970. */
const usesOf = ({ roomId, start, devices }: Booking): DeviceUse[] =>
  devices.map(({ kind, name, from, to }) => ({
    ...{ kind, name, roomId },
    from: start / MINUTE_MS + from,
    to: start / MINUTE_MS + to,
  }))

/** The devices of a booking as another room sees them. */
const roomsUse = (booking: Booking, roomId: string): DeviceUse[] =>
  booking.roomId === roomId ? [] : usesOf(booking)

type Hit = (kind: DiaryConflict['kind'], sentence: string, device?: DeviceKey) => void
/** What two bookings both want at once: the room, the time to clean it, the therapist, the client. */
function meetings(booking: Booking, later: Booking, hit: Hit): void {
  const ends = booking.start + booking.minutes * MINUTE_MS
  const both = overlap(booking.start, ends, later.start, later.start + later.minutes * MINUTE_MS)
  const sameRoom = booking.roomId === later.roomId
  if (both && sameRoom) hit('room', 'The room is taken twice.')
  else if (sameRoom && later.start < ends + booking.cleaningMinutes * MINUTE_MS)
    hit('cleaning', `No time to clean: ${booking.cleaningMinutes} min are needed between the two.`)
  if (both && booking.staffId === later.staffId) hit('person', 'The therapist is booked twice.')
  if (both && booking.clientId === later.clientId) hit('client', 'The client is booked twice.')
}

/**
 * Everything taken twice among the bookings.
 * @param own the devices of the house
 */
export function diaryConflicts(
  bookings: readonly Booking[],
  own: readonly OwnDevice[] = [],
): DiaryConflict[] {
  const out: DiaryConflict[] = []
  const sorted = [...bookings].sort(
    (one, other) => one.start - other.start || (one.id < other.id ? -1 : 1),
  )
  sorted.forEach((booking, i) => {
    const uses = usesOf(booking)
    const others = sorted.flatMap((other) => (other === booking ? [] : usesOf(other)))
    const short = uses.length === 0 ? [] : clashesOf(uses, inUseFor(booking.roomId, others, own))
    for (const later of sorted.slice(i + 1)) {
      const hit: Hit = (kind, sentence, device) =>
        out.push({ kind, a: booking.id, b: later.id, sentence, ...(device ? { device } : {}) })
      meetings(booking, later, hit)
      for (const { wanted } of short)
        if (clashesOf([wanted], roomsUse(later, booking.roomId)).length > 0)
          hit('device', `The ${wanted.name} is needed twice at the same time.`, wanted.kind)
    }
  })
  return out
}

/** When a plan needs each device, in minutes from its start, and for which step. */
export function deviceTimes(
  steps: readonly Pick<PlanStep, 'key' | 'technique' | 'own' | 'minutes'>[],
): StepDevice[] {
  const out: StepDevice[] = []
  let clock = 0
  for (const step of steps) {
    const device = deviceOf(techniqueOf(step))
    const to = clock + step.minutes
    if (device) out.push({ key: step.key, ...device, from: clock, to })
    clock = to
  }
  return out
}
