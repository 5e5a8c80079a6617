import { CALMING } from './calming'
import { EXFOLIATION } from './exfoliation'
import { FINISHING } from './finishing'
import { MACHINE } from './machine'
import { MASKS } from './masks'
import { MASSAGE } from './massage'
import { OPENING } from './opening'
import { PREPARING } from './preparing'
import type { OwnWayOf } from './ownShapes'
import type { RowsOf } from './row'
import type { TechniqueOf } from './technique'

const ROWS = {
  ...OPENING,
  ...PREPARING,
  ...EXFOLIATION,
  ...MACHINE,
  ...CALMING,
  ...MASSAGE,
  ...MASKS,
  ...FINISHING,
}

/** The closed list of techniques: made by the rows, so that a new one is one row. */
export type TechniqueId = keyof typeof ROWS
export type Technique = TechniqueOf<TechniqueId>
export type OwnWay = OwnWayOf<TechniqueId>

/** In the order of the visit, as the rows stand. */
export const TECHNIQUE_IDS = Object.keys(ROWS) as [TechniqueId, ...TechniqueId[]]

// Does not compile where a row names a technique that there is none of.
const named: RowsOf<TechniqueId> = ROWS

export const TECHNIQUES: Readonly<Record<TechniqueId, Technique>> = Object.freeze(
  Object.fromEntries(TECHNIQUE_IDS.map((id) => [id, { ...named[id], id }])) as Record<
    TechniqueId,
    Technique
  >,
)

/** The techniques of which something is true, in the order of the visit. */
export const techniquesWhere = (holds: (technique: Technique) => boolean): TechniqueId[] =>
  TECHNIQUE_IDS.filter((id) => holds(TECHNIQUES[id]))
