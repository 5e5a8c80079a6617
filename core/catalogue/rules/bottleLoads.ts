/**
 * What a bottle pours by what it holds, where its technique itself pours nothing: a wash or toner
 * with an acid or enzyme takes something off as a mask of it would in as many minutes. House scale.
 */
export const BOTTLE_LOADS = {
  /** Hundredths by per cent of free acid and root of the minutes. */
  acid: 12,
  /** Hundredths by root of the minutes. */
  enzyme: 40,
  retinoid: 20,
  /** What stays on works on for so long, minutes. */
  leftOnMinutes: 10,
} as const
