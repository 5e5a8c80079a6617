import { NAMED_FROM_RUNG, STRONG_ACID_FROM } from '../../catalogue/rules/rungs'
import type { Product } from '../../catalogue/products/products'
import type { Technique, TechniqueId } from '../../catalogue/techniques/techniques'
import { freeAcidOf } from '../../dosing/freeAcid'
import { methodOf } from '../../catalogue/schools/schools'
import type { PlanInput } from '../input'

/** Why strong work is not in a plan that nobody asked it of. */
export const NAMED_ONLY = 'strong work: planned only when it is asked for by name'

type Asked = Pick<PlanInput, 'named' | 'pins' | 'protocol' | 'wanted' | 'within'>

/** Booked or asked for by name, pinned, in the protocol that is followed, or planned before. */
export const isNamed = (id: TechniqueId, asked: Asked): boolean =>
  [asked.named ?? [], asked.wanted ?? []].some((ids) => ids.includes(id)) ||
  [asked.pins ?? [], asked.protocol ?? [], asked.within ?? []].some((steps) =>
    steps.some(({ technique }) => technique === id),
  )

/** Strong work, which is never planned unasked. */
export const namedOnly = ({ rung }: Pick<Technique, 'rung'>): boolean =>
  rung !== undefined && rung >= NAMED_FROM_RUNG

/** An acid as strong as that is strong work in whatever it is laid with. */
export const strongAcid = (product: Product): boolean => freeAcidOf(product) >= STRONG_ACID_FROM

/** Why a way of working is not in a plan where nobody works so. */
export const NOT_CHOSEN = 'not how this practice works'

/**
 * Whether a way of working is this house's: most are everybody's; some only where the school or the house
 * says so, or where somebody named it.
 */
export const isChosen = (
  { id, byChoice }: Pick<Technique, 'id' | 'byChoice'>,
  input: Asked & Pick<PlanInput, 'school' | 'policy'>,
): boolean =>
  byChoice !== true || methodOf(input.school, input.policy).uses.has(id) || isNamed(id, input)
