import { STANDARD_FROM_MINUTES } from '../../catalogue/rules/value'
import type { Method } from '../../catalogue/schools/schools'
import type { Technique } from '../../catalogue/techniques/techniques'
import { minutes, type Minutes } from '../../units'
import type { Allowance } from '../today/allowance'

type Timed = Pick<Technique, 'minutes'>

/** The minutes up to which more brings more; an unhurried house gives a step all its time. */
export function wholeOf({ minutes: own }: Timed, { unhurried }: Pick<Method, 'unhurried'>): number {
  const longest = own.choices[own.choices.length - 1] ?? own.most
  return unhurried ? longest : (own.usual ?? longest)
}

/**
 * The minutes that may be planned: those listed, up to what the skin may have today. What has a
 * usual time gets that or is left out, but in an express visit; so also where today allows less:
 * a skin that may have less must never come out with a choice that a freer one has not.
 */
export function lengthsOf(
  technique: Timed,
  { minutesMost, minutesLeast }: Pick<Allowance, 'minutesMost' | 'minutesLeast'>,
  slotMinutes: number,
  method: Pick<Method, 'unhurried'>,
): Minutes[] {
  const { choices, least, usual } = technique.minutes
  const listed = choices.filter((choice) => choice <= minutesMost && choice >= minutesLeast)
  if (usual !== undefined && slotMinutes >= STANDARD_FROM_MINUTES) {
    const whole = wholeOf(technique, method)
    return listed.filter((choice) => choice >= usual && choice <= whole)
  }
  if (listed.length > 0) return listed
  if (minutesLeast > least && minutesLeast <= minutesMost) return [minutes(minutesLeast)]
  return minutesMost >= least ? [minutes(minutesMost)] : []
}

/** Whether a technique's usual time is more than today allows, so that a standard visit leaves it out. */
export const underUsual = ({ minutes: own }: Timed, most: number, slotMinutes: number): boolean =>
  own.usual !== undefined && slotMinutes >= STANDARD_FROM_MINUTES && most < own.usual

/** How much of its effect a step of some minutes has, 0–1: it grows to its whole and no further. */
export const shareOf = (
  technique: Timed,
  taken: number,
  method: Pick<Method, 'unhurried'>,
): number => Math.min(1, taken / wholeOf(technique, method))
