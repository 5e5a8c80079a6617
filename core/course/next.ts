import { USUAL_DAYS } from '../catalogue/rules/visit'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { earliestAgain } from '../load/rest'
import { addDays } from '../screening/asking/days'

interface NextVisit {
  day: string
  reason: string
  rule: string
}
/**
 * The day to suggest for the next visit: four weeks on, or when the strictest rest interval has run
 * out if that is later.
 */
export function suggestNext(done: readonly TechniqueId[], day: string): NextVisit {
  const usual = addDays(day, USUAL_DAYS)
  const rest = earliestAgain(
    done.flatMap((technique) => TECHNIQUES[technique].families),
    day,
  )
  if (rest && rest.day > usual) return { day: rest.day, reason: rest.sentence, rule: rest.rule }
  return { day: usual, reason: 'one facial every four weeks', rule: 'course-usual' }
}
