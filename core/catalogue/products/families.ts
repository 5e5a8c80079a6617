import type { BottleFamily, FamilyId, ProductKind } from '../kinds'
import { ingredientsIn, type IngredientId } from './ingredients'
import { ACID_KINDS } from './productRules'
import type { PlanStep } from '../techniques/step'
import { techniqueOf } from '../techniques/ownWay'
import type { TechniqueId } from '../techniques/techniques'
import { oncePer } from '../../once'
import type { Product } from './products'

/** What stays on the skin after the visit. */
const LEFT_ON: readonly ProductKind[] = [
  'toner',
  'mist',
  'serum',
  'ampoule',
  'moisturiser',
  'facialOil',
  'eyeProduct',
  'currentGel',
  'lipSerum',
  'sleepMask',
]
/** Strong enough to count beside an acid (common practice). */
const ACTIVES: readonly IngredientId[] = ['retinoid', 'vitaminC', 'salicylate']
/** Alcohol that dries off and catches fire; fatty alcohols are something else. */
const SPIRIT = /^(alcohol( denat\.?)?|sd alcohol.*|isopropyl alcohol|ethanol)$/i

/**
 * Oil that stays as a film where it is not washed off, by its name on a label; what was made to mix with
 * water goes with it. Common practice.
 */
const MADE_FOR_WATER = '(?!peg-|ppg-|polyglyceryl)'
const OILS = [
  '\\boil$',
  'squalane',
  'paraffinum',
  'isododecane',
  'isohexadecane',
  'triglyceride',
  'dimethicone',
  'siloxane',
  'isopropyl (myristate|palmitate)',
]
const OIL = new RegExp(`^${MADE_FOR_WATER}.*(${OILS.join('|')})`, 'i')

const ENZYME_KIND: ProductKind = 'enzymeMask'

type Held = Pick<Product, 'kind' | 'inci' | 'acid'>
const holdsAcid = ({ kind, acid }: Held): boolean => acid !== undefined || ACID_KINDS.includes(kind)

/** Kinds of work that a bottle belongs to by what it holds, whatever technique it is used in. */
export const familiesOfBottle = oncePer(familiesHeld)

/**
 * The same, as far as two kinds of work may not share a visit: an acid that stays on is an acid. It is an
 * active beside an acid only with something else in it.
 */
export const familiesInPairs = oncePer((product: Held): readonly BottleFamily[] => {
  const held = ingredientsIn(product.inci).filter(
    (id) => !(id === 'salicylate' && product.acid?.name === 'salicylic'),
  )
  return familiesOfBottle(product).filter(
    (family) => family !== 'leaveOnActive' || ACTIVES.some((id) => held.includes(id)),
  )
})

function familiesHeld(product: Held): BottleFamily[] {
  const held = ingredientsIn(product.inci)
  const leftOn = LEFT_ON.includes(product.kind)
  const out: BottleFamily[] = []
  if (held.includes('retinoid')) out.push('retinoid')
  if (holdsAcid(product)) out.push('acid')
  if (leftOn && (holdsAcid(product) || ACTIVES.some((id) => held.includes(id))))
    out.push('leaveOnActive')
  if (product.kind === ENZYME_KIND || held.includes('enzyme')) out.push('enzyme')
  if (product.inci.some((line) => SPIRIT.test(line.trim()))) out.push('alcohol')
  return out
}

/**
 * What a bottle holds beside what its kind is for: an acid mask is an acid where its technique says
 * so, zone by zone; an acid in a wash or a toner is one wherever that goes.
 */
export const strayFamilies = oncePer((product: Held): readonly BottleFamily[] =>
  familiesOfBottle(product).filter(
    (family) =>
      family !== 'alcohol' &&
      !(family === 'acid' && ACID_KINDS.includes(product.kind)) &&
      !(family === 'enzyme' && product.kind === ENZYME_KIND),
  ),
)

/**
 * What stands straight after a step, by its technique and by what its bottle leaves behind; undefined where
 * nothing has to.
 */
export function thenOf(
  { technique, own, productId }: Pick<PlanStep, 'technique' | 'own' | 'productId'>,
  shelf: readonly { product: Held & { id: string } }[],
): TechniqueId | undefined {
  const { then, thenOiled } = techniqueOf({ technique, own })
  if (then !== undefined || thenOiled === undefined) return then
  const bottle = shelf.find(({ product }) => product.id === productId)?.product
  return bottle?.inci.some((line) => OIL.test(line.trim())) ? thenOiled : undefined
}

/** What a step is to the rules: by its technique, and by its bottle whatever it is used in. */
export function familiesOfStep(
  step: Pick<PlanStep, 'technique' | 'own' | 'productId'>,
  shelf: readonly { product: Held & { id: string } }[],
): FamilyId[] {
  const bottle = shelf.find(({ product }) => product.id === step.productId)?.product
  const own = techniqueOf(step).families
  return [...new Set([...own, ...(bottle ? familiesOfBottle(bottle) : [])])]
}

/** Whether a bottle leaves an active on the skin. */
export const leavesActive = (product: Held): boolean =>
  familiesOfBottle(product).includes('leaveOnActive')
