import type { BottleFamily } from '../kinds'

/**
 * What a bottle pours by what it holds, where its technique itself pours nothing, hundredths by root
 * of the minutes: a wash or toner with an acid or enzyme takes something off as a mask of it would
 * in as many minutes; what is not here pours nothing. House scale.
 */
export const BOTTLE_LOADS: Readonly<
  Partial<Record<BottleFamily, { by: 'freeAcid' | 'bottle'; hundredths: number }>>
> = {
  acid: { by: 'freeAcid', hundredths: 12 },
  enzyme: { by: 'bottle', hundredths: 40 },
  retinoid: { by: 'bottle', hundredths: 20 },
}
/** What stays on works on for so long, minutes. House scale. */
export const LEFT_ON_MINUTES = 10
