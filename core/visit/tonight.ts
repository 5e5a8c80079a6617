import { HOME_STEPS } from '../catalogue/home/homeSteps'
import { RINSED_ONLY } from '../catalogue/home/homeWords'
import { PLAIN_CARE_ONLY } from '../catalogue/rules/aftercare'
import { NOTHING_ASKED } from '../home/asked'
import { cardLineOn, eveningOf } from '../home/evenings'
import { routineFor, type HomeLine, type HomeRoutine } from '../home/routine'
import { addDays } from '../screening/asking/days'
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
  const question = homeQuestionOf(bundle, NOTHING_ASKED, none)
  const { evening, morning, nights, byNight } = written ?? routineFor(question)
  const [tonight] = nights
  const { today } = bundle
  const tomorrow = morning.filter(({ from }) => from === null || from <= addDays(today, 1))
  const line = cardLineOn(question.card, eveningOf(today, question.timeZone), PLAIN_CARE_ONLY)
  return {
    evening: tonight?.bland ?? `${listed((tonight?.id && byNight[tonight.id]) ?? evening)}.`,
    // While the card asks for plain care, the skin is only rinsed.
    morning: line
      ? `${RINSED_ONLY}, then ${listed(tomorrow.filter((line) => !isWashedOff(line)))}.`
      : `${listed(tomorrow)}.`,
  }
}
const isWashedOff = ({ id }: HomeLine): boolean =>
  id in HOME_STEPS && HOME_STEPS[id as keyof typeof HOME_STEPS].base === 'washedOff'
const listed = (lines: readonly HomeLine[]): string =>
  lines
    .map(({ name, product }) => (product === null ? name.toLowerCase() : product))
    .join(', then ')
