import { TECHNIQUES, techniquesWhere, type Technique, type TechniqueId } from './techniques'

/**
 * The one technique that has a part in every visit which no other has.
 * @throws RangeError where the rows name none for it, or several
 */
function theOne(part: string, holds: (technique: Technique) => boolean): TechniqueId {
  const [own, ...others] = techniquesWhere(holds)
  if (own === undefined || others.length > 0)
    throw new RangeError(`${part}: ${own === undefined ? 'no technique' : 'several techniques'}`)
  return own
}

/** What heavy layers, and pads that do not come clean, are cleansed with once more. */
export const CLEANSE_AGAIN = theOne('cleanses again', ({ again }) => again === true)
/** The waiting by the client that fills what nothing else fills. */
export const STAY = theOne('stays', ({ fillsFrom }) => fillsFrom === 0)
/** What hands do while something rests, the one that wants the longest rest first. */
export const FILLERS: readonly TechniqueId[] = techniquesWhere(
  ({ fillsFrom }) => fillsFrom !== undefined && fillsFrom > 0,
).sort((one, other) => (TECHNIQUES[other].fillsFrom ?? 0) - (TECHNIQUES[one].fillsFrom ?? 0))
/** The usual way off for what rests on the skin. */
export const USUAL_REMOVAL = theOne('takes off', ({ takesOff }) => takesOff === 'usual')
/** Water takes off whatever lies there as a mask, at need. */
export const ANY_MASK_OFF = theOne('takes any mask off', ({ takesOff }) => takesOff === 'anyMask')
/** What is made ready straight before something else: a powder is mixed, the skin disinfected. */
export const MADE_READY: readonly TechniqueId[] = Object.values(TECHNIQUES).flatMap(
  ({ after }) => after ?? [],
)
/** Why a connecting step stands before another, in that one's words; undefined where it connects nothing. */
export const connectorWants = (id: TechniqueId): string | undefined =>
  TECHNIQUES[id].connects?.wants
