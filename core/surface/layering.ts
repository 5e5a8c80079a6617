import { LAYER_WAITS, type LayerBase } from '../catalogue/home/homeSteps'
import { INGREDIENT_WORDS } from '../catalogue/home/bases'

/** What lies on the skin, lightest first. */
export interface Layer {
  weight: number
  base: LayerBase
}

/** Lighter layers under heavier ones; of one weight as they came. */
export const layered = <Own extends Layer>(layers: readonly Own[]): Own[] =>
  [...layers].sort((one, other) => one.weight - other.weight)

/** The pause that two layers need so that the second does not roll the first up. */
export function waitBetween(
  under: LayerBase,
  over: LayerBase,
): { minutes: number; sentence: string } | undefined {
  const found = LAYER_WAITS.find((row) => row.under.includes(under) && row.over.includes(over))
  return found && { minutes: found.minutes, sentence: found.sentence }
}

/**
 * What carries a bottle, by the first words of its label; what its step usually is where the label
 * says nothing.
 * @param inci ingredients in the label's order: what there is most of stands first
 */
export function baseOfLabel(inci: readonly string[], usual: LayerBase): LayerBase {
  if (usual === 'washedOff' || usual === 'filter') return usual
  for (const word of inci.slice(0, INGREDIENT_WORDS.looked)) {
    if (INGREDIENT_WORDS.silicone.test(word)) return 'silicone'
  }
  const [first = ''] = inci
  if (INGREDIENT_WORDS.oil.test(first)) return 'oil'
  return usual
}
