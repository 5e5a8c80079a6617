import { howMany } from '../../words'
/** What may be limited over all work of a visit: minutes, passes, per cent of the tolerance. */
export interface Limit {
  /** Minutes of steam or any heat. */
  steamMost?: number
  /** Passes of any device. */
  passesMost?: number
  /** Of what the skin would bear. */
  tolerancePercent?: number
}

/** Where nothing is limited. */
export const NO_LIMIT: Required<Limit> = { steamMost: 10, passesMost: 2, tolerancePercent: 100 }

/** How a limit is said: as what is allowed at most, and as what a stricter rule may not go above. */
export const LIMIT_WORDS: Readonly<
  Record<keyof Limit, { most: (value: number) => string; notAbove: (value: number) => string }>
> = {
  steamMost: {
    most: (value) => `steam ${value} min at most`,
    notAbove: (value) => `steam not longer than ${value} min`,
  },
  passesMost: {
    most: (value) => `${howMany(value, 'pass')} at most`,
    notAbove: (value) => `not more than ${value} passes`,
  },
  tolerancePercent: {
    most: (value) => `tolerance ${value} %`,
    notAbove: (value) => `the tolerance not above ${value} %`,
  },
}
export const LIMIT_IDS = Object.keys(NO_LIMIT) as (keyof Limit)[]
