import { CALMING } from './calming'
import { EXFOLIATION } from './exfoliation'
import { FINISHING } from './finishing'
import { MACHINE } from './machine'
import { MASKS } from './masks'
import { MASSAGE } from './massage'
import { OPENING } from './opening'
import { PREPARING } from './preparing'
import type { Technique, TechniqueId } from './technique'

const ROWS = [
  ...OPENING,
  ...PREPARING,
  ...EXFOLIATION,
  ...MACHINE,
  ...CALMING,
  ...MASSAGE,
  ...MASKS,
  ...FINISHING,
]

export const TECHNIQUES = Object.freeze(Object.fromEntries(ROWS.map((r) => [r.id, r]))) as Readonly<
  Record<TechniqueId, Technique>
>
