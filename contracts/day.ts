import type { DiaryConflict } from '#core/timing/diary'
import type { StopId } from '#core/visit/stops'
import type { VisitStatus } from '#core/visit/status'

/** One visit of a day, as its room's column shows it. */
export interface DayVisit {
  id: string
  clientId: string
  client: string
  staffId: string
  staff: string
  roomId: string
  startsAt: number
  minutes: number
  status: VisitStatus
  version: number
  /** Which stops are ready. */
  stops: Record<Exclude<StopId, 'set'>, boolean>
}

/** A call after a stop that was not made yet. */
export interface CallDue {
  visitId: string
  clientId: string
  client: string
  /** ISO day of the house. */ dueOn: string
  reason: string
}

export interface DayPage {
  /** ISO day, in the house's time. */
  day: string
  now: number
  timeZone: string
  cleaningMinutes: number
  rooms: { id: string; name: string }[]
  visits: DayVisit[]
  conflicts: DiaryConflict[]
  /** Calls due by this day; none on days gone by. */
  calls: CallDue[]
}
