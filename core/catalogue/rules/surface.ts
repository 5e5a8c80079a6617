import { ticksWithin } from '../../units'

/** Damp skin dries in about two and a half minutes uncovered. Common practice. */
export const DRY_TICKS = ticksWithin(2.5)
/** Warmth fades in about ten minutes. Common practice. */
export const WARM_TICKS = ticksWithin(10)

/** How much of the face has to be so before a word says it of the whole: zones of it. */
export const SAID_OF_FACE = { mask: 8, most: 5, fresh: 3 } as const
/** Weights of layers from which the skin is sealed, and protected. */
export const LAYER_WORDS = { sealed: 5, protected: 7 } as const
