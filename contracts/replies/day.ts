import { z } from 'zod'
import { CONCERN_IDS } from '#core/catalogue/kinds'
import type { Basin } from '#core/planning/checks/basins'
import type { StripPart } from '#core/timing/dayStrip'
import type { DiaryConflict } from '#core/timing/diary'
import type { Stretch } from '#core/timing/places'
import { STOP_IDS, type StopId } from '#core/visit/stops'
import { VISIT_STATUSES } from '#core/visit/status'
import { deviceKey } from '../ownWays'
import { at, count, id, isoDay, maybe, named, text } from './common'

export const basin: z.ZodType<Basin> = z.strictObject({
  before: z.number(),
  today: z.number(),
  tolerance: z.number(),
})
const stripPart: z.ZodType<StripPart> = z.strictObject({
  kind: z.enum(['hands', 'works', 'device', 'rests']),
  minutes: z.number(),
})
const conflict: z.ZodType<DiaryConflict> = z.strictObject({
  kind: z.enum(['room', 'person', 'client', 'device', 'cleaning']),
  a: text,
  b: text,
  device: deviceKey.optional(),
  sentence: text,
})
const stretch: z.ZodType<Stretch> = z.strictObject({ from: z.number(), to: z.number() })
const shownStops = STOP_IDS.filter((stop) => stop !== 'set')

/** One visit of a day, as its room's column shows it. */
export const dayVisit = z.strictObject({
  id,
  clientId: id,
  client: text,
  /** Their birthday, where somebody of the same name comes that day. */
  born: isoDay.nullable(),
  staffId: id,
  staff: text,
  roomId: id,
  startsAt: at,
  minutes: count,
  status: z.enum(VISIT_STATUSES),
  version: z.int(),
  /** What the visit is for. */
  aims: z.array(z.enum(CONCERN_IDS)),
  lateMinutes: count,
  /** Why it stands although something is in the way. */
  allowedBecause: maybe,
  /** The plan folded small, and how full it makes the four bowls; none before it is planned. */
  strip: z.array(stripPart),
  basins: z.array(basin).nullable(),
  devices: z
    .array(z.strictObject({ kind: deviceKey, name: text, from: z.number(), to: z.number() }))
    .readonly(),
  /** When the first hand is needed for it, while it is planned and not begun. */
  setAt: at.nullable(),
  /** Which stops are ready. */
  stops: z.record(
    z.enum(shownStops as unknown as { [Stop in Exclude<StopId, 'set'>]: Stop }),
    z.boolean(),
  ),
})
export type DayVisit = z.infer<typeof dayVisit>

/** A visit that was cancelled, or to which nobody came. */
export const fallenVisit = z.strictObject({
  id,
  version: z.int(),
  client: text,
  startsAt: at,
  as: z.enum(['calledOff', 'noShow']),
  because: text,
})
export type FallenVisit = z.infer<typeof fallenVisit>

/** A call after a stop that was not made yet. */
export const callDue = z.strictObject({
  visitId: id,
  clientId: id,
  client: text,
  dueOn: isoDay,
  reason: text,
})
export type CallDue = z.infer<typeof callDue>

/** Something the day asks for beside its visits. */
const dueLine = z.strictObject({
  kind: z.enum(['patch', 'watch', 'stop']),
  title: text,
  text,
  /** Where it is seen to; null where this person cannot. */
  to: maybe,
})
export type DueLine = z.infer<typeof dueLine>

export const dayPage = z.strictObject({
  day: isoDay,
  now: at,
  timeZone: text,
  cleaningMinutes: count,
  rooms: z.array(named),
  visits: z.array(dayVisit),
  fallen: z.array(fallenVisit),
  /** When the house is open that day, in minutes from midnight; none while it is shut. */
  open: z.array(stretch),
  /** Why it is shut. */
  shut: maybe,
  away: z.array(z.strictObject({ staff: text, word: text })),
  conflicts: z.array(conflict),
  /** Calls due by this day; none on days gone by. */
  calls: z.array(callDue),
  /** What else is due by this day; none on days gone by. */
  dues: z.array(dueLine),
})
export type DayPage = z.infer<typeof dayPage>
