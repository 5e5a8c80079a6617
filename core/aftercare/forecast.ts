import { FORECASTS, LONGER_PERCENT, type ForecastRow } from '../catalogue/rules/forecast'
import type { FamilyId } from '../catalogue/kinds'
import type { ConditionId } from '../catalogue/skin/conditions'
import { REGION_IDS, type RegionId } from '../face/zones'
import { HOUR_MS, percentOf } from '../units'

/** Work that was done, where. */
export interface WorkedWhere {
  families: readonly FamilyId[]
  regions: readonly RegionId[]
}
/** What may come: from and until, milliseconds since 1970, and on which zones. */
export interface ForecastLine {
  rule: string
  sentence: string
  advice: string
  from: number
  until: number
  regions: RegionId[]
}

/**
 * What may be seen or felt at home, by the work that was really done and this skin, the soonest first.
 * Of two lines that say the same of one visit the longer stands.
 * @param endedAt end of the visit, milliseconds since 1970
 */
export function forecastOf(
  work: readonly WorkedWhere[],
  stopped: boolean,
  conditions: readonly ConditionId[],
  endedAt: number,
): ForecastLine[] {
  const lines = FORECASTS.flatMap((row): ForecastLine[] => {
    const regions = whereOf(row, work, stopped)
    if (regions.length === 0) return []
    const { id: rule, sentence, advice, fromHours } = row
    const longer = row.longer?.some((own) => conditions.includes(own)) === true
    const hours = longer ? percentOf(row.untilHours, LONGER_PERCENT) : row.untilHours
    const [from, until] = [endedAt + fromHours * HOUR_MS, endedAt + hours * HOUR_MS]
    return [{ ...{ rule, sentence, advice, from, until, regions } }]
  })
  return lines
    .filter((line) => line.rule !== WEAK || !lines.some(({ rule }) => rule === STRONGER))
    .sort((one, other) => one.from - other.from || one.until - other.until)
}
/** Pink for a day says all that pink for hours does. */
const [WEAK, STRONGER] = ['pink', 'pink-strong']

function whereOf(
  { after }: ForecastRow,
  work: readonly WorkedWhere[],
  stopped: boolean,
): RegionId[] {
  if (after === 'stopped') return stopped ? [...REGION_IDS] : []
  const own = work.filter(({ families }) => families.some((family) => after.includes(family)))
  return REGION_IDS.filter((region) => own.some(({ regions }) => regions.includes(region)))
}
