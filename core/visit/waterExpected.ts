import { readWater, waterForecast, type WaterForecast } from '../treatment/step/water'
import type { VisitBundle } from './bundle'

type Known = Pick<VisitBundle, 'past' | 'lastTime' | 'homeAsked'>

/**
 * The forecast of water additions for this client: by the number of the visit, by what was counted
 * last time, and by whether home care is being done as far as it is known.
 */
export function waterExpected(bundle: Known): WaterForecast {
  const visit = bundle.past.length + 1
  const last = bundle.lastTime?.times.find(({ water }) => water !== undefined)?.water
  return waterForecast(visit, homeCareKept(bundle, visit, last), last)
}

/**
 * What was counted last time says it; before that, whether the day is taken off at home the way it is
 * taken off here. A retinoid or an acid at home says nothing of cleansing.
 */
function homeCareKept({ homeAsked }: Known, visit: number, last: number | undefined): boolean {
  if (last === undefined) return homeAsked?.oilAtHome === true
  const { reads } = readWater(last, waterForecast(Math.max(1, visit - 1), true))
  return reads !== 'more'
}
