import { EXFOLIATING } from '../kinds'
import type { Technique } from './techniques'

/** What rests on the skin, by kind: the plan and the room give each a colour of its own. */
type RestKind = 'clay' | 'water' | 'cream' | 'works' | 'light' | 'firm'

/** From this effect on a mask is known for it. */
const KNOWN_FOR = 3

/** The first that fits; a mask that is none of these is a cream. */
const KINDS: readonly {
  kind: RestKind
  fits: (technique: Pick<Technique, 'families' | 'effects'>) => boolean
}[] = [
  { kind: 'light', fits: ({ families }) => families.includes('lamp') },
  {
    kind: 'works',
    fits: ({ families }) =>
      families.some((family) => EXFOLIATING.includes(family) || family === 'peel'),
  },
  { kind: 'clay', fits: ({ families }) => families.includes('clay') },
  { kind: 'firm', fits: ({ effects }) => (effects.firmness ?? 0) >= KNOWN_FOR },
  {
    kind: 'water',
    fits: ({ families, effects }) =>
      (effects.dehydration ?? 0) >= KNOWN_FOR || families.includes('eyeWork'),
  },
]
/** What rests, as the room draws it: by what it does. */
export const restKind = (technique: Pick<Technique, 'families' | 'effects'>): RestKind =>
  KINDS.find(({ fits }) => fits(technique))?.kind ?? 'cream'

/**
 * How far into the minutes of its label something rests that comes off at the short end: the first
 * third of them. House value.
 */
export const SHORT_END = 1 / 3
