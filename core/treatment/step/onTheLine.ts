import type { Dial } from '../order/atHand'

/** How a device stands, as it says itself; `fault` is what is wrong with that, in plain words. */
export interface DeviceSays {
  /** Undefined where what it said is no number. */
  level?: number
  unit: string
  running: boolean
  ready: boolean
  fault: string | null
}

/**
 * What a device read back, held against what it was told and what is allowed today. A unit that is
 * not the dial's says nothing of the level; a level over the cap is said before anything else.
 * @param said one answer of the line, of any shape
 * @param asked the level that it was given just now
 */
export function deviceSays(
  said: Readonly<Record<string, unknown>>,
  dial: Pick<Dial, 'unit' | 'most'> | undefined,
  asked?: number,
): DeviceSays {
  const unit = typeof said.unit === 'string' ? said.unit : ''
  const isNumber = typeof said.level === 'number' && Number.isFinite(said.level)
  const level = isNumber ? (said.level as number) : undefined
  const own = { unit, running: said.running === true, ready: said.ready === true }
  const without = (fault: string): DeviceSays => ({ ...own, fault })
  if (level === undefined) return without('It reads back no number: look at its own display.')
  if (dial && unit !== dial.unit)
    return without(`It answers in ${unit || 'no unit'}, not in ${dial.unit}: set it by hand.`)
  return { ...own, level, fault: faultOf(own.ready, level, unit, dial, asked) }
}

function faultOf(
  ready: boolean,
  level: number,
  unit: string,
  dial: Pick<Dial, 'most'> | undefined,
  asked: number | undefined,
): string | null {
  if (dial && level > dial.most)
    return `The device is at ${level} ${unit}, ${dial.most} is the most today: turn it down by hand first.`
  if (!ready) return 'It says that it is not ready.'
  if (asked !== undefined && level !== asked)
    return `It was set to ${asked} ${unit} and is at ${level}: believe its display.`
  return null
}
