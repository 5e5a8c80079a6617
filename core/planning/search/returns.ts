import { RETURNS } from '../../catalogue/rules/value'

/**
 * Effects are small whole numbers and are looked up many times over: worked out once for those that
 * occur.
 */
const TABLE: readonly number[] = Array.from({ length: 2048 }, (_, effect) => worked(effect))
/** Piecewise linear with slopes 4, 2, 1: more always counts a little. */
export function returns(effect: number): number {
  return TABLE[effect] ?? worked(effect)
}
function worked(effect: number): number {
  let out = 0
  let from = 0
  for (let i = 0; i < RETURNS.length; i++) {
    const segment = RETURNS[i]
    if (!segment || effect <= from) break
    out += (Math.min(effect, segment.upTo) - from) * segment.slope
    from = segment.upTo
  }
  return out
}
