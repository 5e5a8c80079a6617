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

export interface DayPage {
  /** ISO day, in the house's time. */
  day: string
  now: number
  timeZone: string
  cleaningMinutes: number
  rooms: { id: string; name: string }[]
  visits: DayVisit[]
  conflicts: DiaryConflict[]
}
