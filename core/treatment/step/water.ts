import { WATER_ROWS, WATER_SAID_FROM } from '../../catalogue/rules/waterAdditions'

export interface WaterForecast {
  least: number
  most: number
  rule: string
}

/**
 * How many water additions are to be expected of this client.
 * @param visit its number with this client, from 1
 * @param kept whether home care was done as far as known
 * @param last additions counted last time: the forecast does not jump away from them
 */
export function waterForecast(visit: number, kept: boolean, last?: number): WaterForecast {
  const fitting = WATER_ROWS.filter((row) => row.kept === kept && row.fromVisit <= visit)
  const row = fitting.at(-1)
  if (!row) throw new RangeError('no row for the first visit')
  const { least, most, id: rule } = row
  if (last === undefined) return { least, most, rule }
  // Of what was counted and what is usual, the nearer end: one visit moves it half-way.
  const towards = (bound: number) => Math.round((bound + last) / 2)
  return { least: Math.min(towards(least), towards(most)), most: towards(most), rule }
}

/** Additions against their forecast, as a sign of home care: a question, never a reproach. */
export function readWater(
  count: number,
  { least, most }: WaterForecast,
): { reads: 'asExpected' | 'more' | 'fewer'; say: string } {
  if (count >= most + WATER_SAID_FROM)
    return { reads: 'more', say: 'More water than expected: ask how cleansing goes at home.' }
  if (count + WATER_SAID_FROM <= least)
    return { reads: 'fewer', say: 'Less water than expected: home care is being done.' }
  return { reads: 'asExpected', say: 'As expected.' }
}

/** "6 to 10": how many additions are expected, in words. */
export const waterWords = ({ least, most }: WaterForecast): string =>
  least === most ? `about ${least}` : `${least} to ${most}`
