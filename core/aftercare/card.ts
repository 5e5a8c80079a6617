import { HOUR_MS } from '../units'
import {
  AFTERCARE,
  DAYS_FROM_HOURS,
  TOPIC_IDS,
  type AftercareRow,
  type AftercareTopic,
} from '../catalogue/rules/aftercare'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import type { FamilyId } from '../catalogue/kinds'

export interface AftercareLine {
  topic: AftercareTopic
  sentence: string
  why: string
  rule: string
  until: number
}

/** What else a card is written from, beside the techniques. */
interface CardMore {
  /** What the bottles in use belong to by what they hold. */
  held?: readonly FamilyId[]
  /** Half of a piece that was opened is left, for tomorrow morning. */
  halfLeft?: boolean
  /** Something that reacts to light was on the skin. */
  lightReactive?: boolean
  /** This skin marks easily, or something makes it mind the light. */
  marks?: boolean
}

/**
 * What the client does at home, from what was really done: every row that fits, less those of which
 * another asks all, for as long; each with its end.
 * @param done techniques done and not skipped
 * @param endedAt milliseconds since 1970 at the end of the visit
 */
export function aftercareCard(
  done: readonly TechniqueId[],
  stopped: boolean,
  endedAt: number,
  { held = [], halfLeft = false, lightReactive = false, marks = false }: CardMore = {},
  rows: readonly AftercareRow[] = AFTERCARE,
): AftercareLine[] {
  const families = new Set<FamilyId>([
    ...done.flatMap((technique) => TECHNIQUES[technique].families),
    ...held,
  ])
  const overnight = done.some((technique) => TECHNIQUES[technique].overnight === true)
  const fits = (aftercare: AftercareRow) =>
    typeof aftercare.after === 'string'
      ? { any: done.length > 0, stopped, halfLeft, overnight, lightReactive }[aftercare.after]
      : aftercare.after.some((family) => families.has(family))
  const fitting = rows.filter((row) => fits(row) && (row.marks === undefined || marks))
  return TOPIC_IDS.flatMap((topic) =>
    fitting
      .filter((row) => row.topic === topic && !fitting.some((other) => goesFor(other, row, rows)))
      .sort((one, other) => one.hours - other.hours)
      .map(({ sentence, why, id, hours }) => ({
        topic,
        sentence,
        why,
        rule: id,
        until: endedAt + hours * HOUR_MS,
      })),
  )
}

/** Whether one row asks all that another does, for as long; of two alike the earlier row. */
function goesFor(one: AftercareRow, other: AftercareRow, rows: readonly AftercareRow[]): boolean {
  if (one === other || one.hours < other.hours || !asksAll(one, other)) return false
  const alike = one.hours === other.hours && asksAll(other, one)
  return !alike || rows.indexOf(one) < rows.indexOf(other)
}
const asksAll = (one: AftercareRow, other: AftercareRow): boolean =>
  other.asks.every(
    (part) =>
      one.asks.includes(part) || (one.asks.includes('everything') && other.topic === one.topic),
  )

/** Rows whose sentence names its own time. */
export const SAYS_WHEN: ReadonlySet<string> = new Set(
  AFTERCARE.filter(({ saysWhen }) => saysWhen).map(({ id }) => id),
)

/** Whether a line ends with its day, or at an hour. @param endedAt end of the visit, both in ms */
export const endsWithDay = (until: number, endedAt: number): boolean =>
  until - endedAt > DAYS_FROM_HOURS * HOUR_MS
