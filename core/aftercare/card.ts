import {
  AFTERCARE,
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

/**
 * What the client does at home, from what was really done: of each topic the row that lasts
 * longest, with its end.
 * @param done techniques done and not skipped
 * @param endedAt milliseconds since 1970 at the end of the visit
 */
export function aftercareCard(
  done: readonly TechniqueId[],
  stopped: boolean,
  endedAt: number,
  rows: readonly AftercareRow[] = AFTERCARE,
): AftercareLine[] {
  const families = new Set<FamilyId>(done.flatMap((technique) => TECHNIQUES[technique].families))
  const fits = (aftercare: AftercareRow) =>
    aftercare.after === 'any'
      ? done.length > 0
      : aftercare.after === 'stopped'
        ? stopped
        : aftercare.after.some((family) => families.has(family))
  return TOPIC_IDS.flatMap((topic) => {
    const strictest = rows
      .filter((row) => row.topic === topic && fits(row))
      .sort((one, other) => other.hours - one.hours)[0]
    return strictest
      ? [
          {
            topic,
            sentence: strictest.sentence,
            why: strictest.why,
            rule: strictest.id,
            until: endedAt + strictest.hours * 3_600_000,
          },
        ]
      : []
  })
}

/** A rest at least so long is one of days: it ends with its day, a shorter one at its hour. */
const DAYS_FROM_HOURS = 40
/** Whether a line ends with its day, or at an hour. @param endedAt end of the visit, both in ms */
export const endsWithDay = (until: number, endedAt: number): boolean =>
  until - endedAt > DAYS_FROM_HOURS * 3_600_000
