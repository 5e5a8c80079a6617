import type { Product } from '../../catalogue/products/products'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'

/** How a step is known to be done, what the big button says of it, and what to do until then. */
export interface Cue {
  cue: string
  seen: string
  notYet: string
}

/** What of a bottle the cue depends on. */
export type Bottle = Pick<Product, 'colourChange'>

/**
 * The cue of a step with what is in the bottle: where its maker states a change of shade, that is
 * the cue, and until it comes more water and longer work (common practice). What rests is only laid on in
 * its step: the shade is waited for while it rests.
 */
export function cueOf({ technique }: Pick<PlanStep, 'technique'>, bottle?: Bottle): Cue {
  const { cue, seen, notYet, dwell } = TECHNIQUES[technique]
  const change = bottle?.colourChange
  if (change === undefined || dwell) return { cue, seen, notYet }
  return {
    cue: `It has turned, ${change}.`,
    seen: 'Colour has turned',
    notYet: `More water, work it longer: ${change}.`,
  }
}

/** How it is known that something has rested enough: its shade, where its maker states a change of it. */
export function restCueOf({ technique }: Pick<PlanStep, 'technique'>, bottle?: Bottle): string {
  const { restCue = '' } = TECHNIQUES[technique]
  const change = bottle?.colourChange
  return change === undefined ? restCue : `It has turned, ${change}.`
}
