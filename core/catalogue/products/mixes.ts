import { COMMON_PRACTICE, type ProductKind } from '../kinds'

/** What is mixed fresh: parts by volume, and how long it can be worked. */
export interface MixRule {
  kind: ProductKind
  /** Parts of liquid to one of powder. */ liquidParts: number
  /** What the liquid is, from a bottle; left out, water or milk by how oily the skin is. */
  liquid?: ProductKind
  /** Minutes before it goes on that it is mixed, and how long it stays workable. */ beforeMinutes: number
  workingMinutes: number
  words: string
  source: string
}
export const MIXES: readonly MixRule[] = [
  {
    kind: 'hardeningPowder',
    liquidParts: 2,
    liquid: 'activator',
    beforeMinutes: 1,
    workingMinutes: 3,
    words:
      'powder first, then activator by the same level scoop; dry the scoop before it goes back',
    source: COMMON_PRACTICE,
  },
  {
    kind: 'powderMask',
    liquidParts: 1,
    beforeMinutes: 2,
    workingMinutes: 10,
    words: 'in glass or wood, until it drops slowly off the brush; never kept',
    source: COMMON_PRACTICE,
  },
]
