import { ALL_PERCENT, percentOf } from '../../units'
import { LIMIT_IDS, LIMIT_WORDS, type Limit } from '../../catalogue/rules/limits'

/**
 * Two limits together: minutes and passes go by the smaller, what is left of the tolerance is lowered
 * by each.
 */
export const together = (one: Required<Limit>, other: Limit): Required<Limit> => ({
  steamMost: Math.min(one.steamMost, other.steamMost ?? one.steamMost),
  passesMost: Math.min(one.passesMost, other.passesMost ?? one.passesMost),
  tolerancePercent: Math.floor(
    percentOf(one.tolerancePercent, other.tolerancePercent ?? ALL_PERCENT),
  ),
})

/** "steam 5 min at most", a line for each thing that is limited. */
export const limitWords = (limit: Limit = {}): string[] =>
  LIMIT_IDS.flatMap((id) => {
    const value = limit[id]
    return value === undefined ? [] : [LIMIT_WORDS[id].most(value)]
  })
