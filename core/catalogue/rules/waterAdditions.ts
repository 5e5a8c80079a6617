import { COMMON_PRACTICE } from '../kinds'

/**
 * How often water is added until an emulsified oil no longer slips: many times on skin that is not
 * cleansed well at home, a few after some visits, once or twice on skin that is kept. Common
 * practice.
 */
interface WaterRow {
  id: string
  /** From this visit on, counted from 1. */
  fromVisit: number
  kept: boolean
  least: number
  most: number
  source: string
}
const row = (
  id: string,
  fromVisit: number,
  kept: boolean,
  least: number,
  most: number,
): WaterRow => ({
  id,
  fromVisit,
  kept,
  least,
  most,
  source: COMMON_PRACTICE,
})
/** From this visit on a client has settled into it. House value within common practice. */
export const WATER_ROWS: readonly WaterRow[] = [
  row('water-first', 1, false, 10, 12),
  row('water-first-kept', 1, true, 6, 10),
  row('water-some', 3, false, 6, 10),
  row('water-some-kept', 3, true, 2, 3),
  row('water-many', 6, false, 4, 8),
  row('water-many-kept', 6, true, 1, 2),
]
/** A difference from the forecast is said from so many on. */
export const WATER_SAID_FROM = 2
