/**
 * How strong a piece of work is: 0 takes nothing off · 1 enzyme, spatula · 2 grain, roll-off, mild
 * acid mask · 3 tip, crystals, stronger acid mask · 4 salon peel, blade · 5 needling. Common practice.
 */
export type Rung = 1 | 2 | 3 | 4 | 5

/** From this rung on work is planned only when it is named (common practice). */
export const NAMED_FROM_RUNG: Rung = 3

/** Free acid, per cent, from which an acid mask is of the third rung (house scale). */
export const STRONG_ACID_FROM = 5
