import { CALMING } from './techniques/calming'
import { EXFOLIATION } from './techniques/exfoliation'
import { FINISHING } from './techniques/finishing'
import { MACHINE } from './techniques/machine'
import { MASKS } from './techniques/masks'
import { MASSAGE } from './techniques/massage'
import { OPENING } from './techniques/opening'
import { PREPARING } from './techniques/preparing'
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
