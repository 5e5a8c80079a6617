import { DAY_HOURS, HOUR_MINUTES } from '../units'
import type { Stretch } from './places'

const DAY_END = DAY_HOURS * HOUR_MINUTES
/** "9", "09:30", "9.30": an hour as people write it. */
const CLOCK = /^(\d{1,2})(?:[:.](\d{2}))?$/

function minuteOf(text: string): number | undefined {
  const [, hour, minute = '0'] = CLOCK.exec(text.trim()) ?? []
  if (hour === undefined || Number(minute) >= HOUR_MINUTES) return undefined
  const at = Number(hour) * HOUR_MINUTES + Number(minute)
  return at <= DAY_END ? at : undefined
}

/**
 * Hours as they are written on a door: "9–13, 14:30–18"; nothing written is shut.
 * @returns minutes from midnight in order, or undefined where it cannot be read: not two hours
 * joined by a dash, an end before its beginning, one stretch over another
 */
export function readHoursText(text: string): Stretch[] | undefined {
  const stretches: Stretch[] = []
  for (const piece of text.split(/[,;]/).filter((own) => own.trim() !== '')) {
    const [from, to, more] = piece.split(/[-–—]/).map(minuteOf)
    if (from === undefined || to === undefined || more !== undefined || from >= to) return undefined
    stretches.push({ from, to })
  }
  stretches.sort((one, other) => one.from - other.from)
  const over = stretches.some((own, at) => at > 0 && own.from < (stretches[at - 1]?.to ?? 0))
  return over ? undefined : stretches
}

const clockOf = (minute: number): string => {
  const rest = minute % HOUR_MINUTES
  return `${Math.floor(minute / HOUR_MINUTES)}${rest === 0 ? '' : `:${String(rest).padStart(2, '0')}`}`
}
/** The same back in words. */
export const hoursText = (stretches: readonly Stretch[]): string =>
  stretches.map(({ from, to }) => `${clockOf(from)}–${clockOf(to)}`).join(', ')
