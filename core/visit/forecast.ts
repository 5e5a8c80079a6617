import { forecastOf, type ForecastLine } from '../aftercare/forecast'
import { familiesOfStep } from '../catalogue/products/families'
import { fold } from '../treatment/fold/fold'
import type { VisitBundle } from './bundle'
import { toPlanInput } from './planInput'
import { stepsDone } from './record'
import { foldContext } from './roomContext'

/** What may come after this visit, by what was done on which zones. */
export function forecastOfVisit(bundle: VisitBundle): ForecastLine[] {
  const input = toPlanInput(bundle)
  const state = fold(bundle.events, foldContext(bundle, input))
  const work = stepsDone(bundle, state).map((step) => ({
    families: familiesOfStep(step, bundle.shelf),
    regions: step.regions,
  }))
  const ended = state.finishedAt ?? bundle.now
  return forecastOf(work, state.stopped !== undefined, input.profile.conditions, ended)
}

/** The rows that are on at a moment. @param at milliseconds since 1970 */
export const forecastAt = (lines: readonly ForecastLine[], at: number): string[] =>
  lines.filter(({ from, until }) => from <= at && at < until).map(({ rule }) => rule)
