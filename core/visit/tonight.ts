import { NOTHING_ASKED } from '../home/asked'
import { routineFor, type HomeLine } from '../home/routine'
import type { VisitBundle } from './bundle'
import { homeQuestionOf } from './homeQuestion'

/** What to use on the evening of a visit and the morning after, by name where the shelf has it. */
export function tonightOf(bundle: VisitBundle): { evening: string; morning: string } {
  const none = { nights: [], vitaminC: false, named: {} }
  const { evening, morning, nights } = routineFor(homeQuestionOf(bundle, NOTHING_ASKED, none))
  const [tonight] = nights
  return {
    evening: tonight?.bland ?? `${listed(evening)}.`,
    morning: `${listed(morning)}.`,
  }
}
const listed = (lines: readonly HomeLine[]): string =>
  lines
    .map(({ name, product }) => (product === null ? name.toLowerCase() : product))
    .join(', then ')
