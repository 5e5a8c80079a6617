import { NOTHING_ASKED } from '../home/asked'
import { routineFor, type HomeLine, type HomeRoutine } from '../home/routine'
import type { VisitBundle } from './bundle'
import { homeQuestionOf } from './homeQuestion'

/** What to use on the evening of a visit and the morning after, by name where the shelf has it.
 * @param written the routine that was written at this visit, where one was: the card says the same
 */
export function tonightOf(
  bundle: VisitBundle,
  written: HomeRoutine | null = null,
): { evening: string; morning: string } {
  const none = { nights: [], vitaminC: false, named: {} }
  const { evening, morning, nights, byNight } =
    written ?? routineFor(homeQuestionOf(bundle, NOTHING_ASKED, none))
  const [tonight] = nights
  return {
    evening: tonight?.bland ?? `${listed((tonight?.id && byNight[tonight.id]) ?? evening)}.`,
    morning: `${listed(morning)}.`,
  }
}
const listed = (lines: readonly HomeLine[]): string =>
  lines
    .map(({ name, product }) => (product === null ? name.toLowerCase() : product))
    .join(', then ')
