import { z } from 'zod'
import type { ConcernId } from '#core/catalogue/kinds'
import type { Basin } from '#core/planning/checks/basins'
import type { StripPart } from '#core/timing/dayStrip'
import type { Booking, DiaryConflict } from '#core/timing/diary'
import type { Stretch } from '#core/timing/places'
import type { StopId } from '#core/visit/stops'
import type { VisitStatus } from '#core/visit/status'
import { day } from './common'

/** Which day of the house; left out, today. */
export const dayQuery = z.object({ date: day.optional() })
/** Any day of the week that is asked for. */
export const weekQuery = z.strictObject({ date: day })

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
  /** What the visit is for. */
  aims: ConcernId[]
  lateMinutes: number
  /** Why it stands although something is in the way. */
  allowedBecause: string | null
  /** The plan folded small, and how full it makes the four bowls; none before it is planned. */
  strip: StripPart[]
  basins: Basin[] | null
  devices: Booking['devices']
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

/** Something the day asks for beside its visits. */
export interface DueLine {
  kind: 'patch' | 'watch' | 'stop'
  title: string
  text: string
  /** Where it is seen to; null where this person cannot. */
  to: string | null
}

export interface DayPage {
  /** ISO day, in the house's time. */
  day: string
  now: number
  timeZone: string
  cleaningMinutes: number
  rooms: { id: string; name: string }[]
  visits: DayVisit[]
  /** When the house is open that day, in minutes from midnight; none while it is shut. */
  open: Stretch[]
  /** Why it is shut. */
  shut: string | null
  away: { staff: string; word: string }[]
  conflicts: DiaryConflict[]
  /** Calls due by this day; none on days gone by. */
  calls: CallDue[]
  /** What else is due by this day; none on days gone by. */
  dues: DueLine[]
}
