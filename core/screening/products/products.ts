import { MONTH_DAYS, UNNAMED_ALLERGY, WORD_LETTERS } from '../../catalogue/rules/screening'
import { INGREDIENTS, ingredientsIn } from '../../catalogue/products/ingredients'
import { strayFamilies } from '../../catalogue/products/families'
import { BOTTLE_FAMILIES, type BottleFamily } from '../../catalogue/kinds'
import type { Lot, Product } from '../../catalogue/products/products'
import type { Answers } from '../asking/answers'
import { addDays, dayInWords, daysBetween } from '../asking/days'
import type { Bar, Verdict } from '../verdict/verdict'

export interface ProductBar {
  rule: string
  text: string
}

/**
 * Why a product may not be used on this client: each ingredient that a row of the table stops, with
 * that row.
 */
export function productBars(product: Product, verdict: Verdict, answers: Answers): ProductBar[] {
  const inside = ingredientsIn(product.inci)
  const out = substanceBars(product, verdict)
  const families = strayFamilies(product)
  for (const bar of verdict.bars) {
    const held = bar.does === 'restricts' ? undefined : heldOf(bar, families)
    if (held !== undefined && !out.some((own) => own.rule === bar.rule))
      out.push({ rule: bar.rule, text: `${held}: ${bar.sentence}` })
  }
  const allergy = answers.allergy
  if (
    allergy?.say === 'yes' &&
    (allergy.substances ?? []).length === 0 &&
    inside.some((id) => INGREDIENTS[id].allergen)
  )
    out.push({ rule: UNNAMED_ALLERGY, text: 'allergy not named yet: ask before' })
  return out
}

/** "holds an acid": what of a bottle a bar speaks of. */
function heldOf(bar: Bar, held: readonly BottleFamily[]): string | undefined {
  const met = held.find((family) => bar.families.includes(family))
  return met && BOTTLE_FAMILIES[met]
}

/** What was told by name, or belongs to a family that a row stops, and is in the bottle. */
function substanceBars(
  product: Product,
  { substances }: Pick<Verdict, 'substances'>,
): ProductBar[] {
  const out: ProductBar[] = []
  const inside = ingredientsIn(product.inci)
  for (const { word, rule, family } of substances) {
    const text =
      family && inside.includes(family)
        ? `holds ${INGREDIENTS[family].name}`
        : holds(product, word)
          ? `holds ${word}`
          : undefined
    if (text !== undefined && !out.some((own) => own.rule === rule && own.text === text))
      out.push({ rule, text })
  }
  return out
}

/**
 * Why a dab of a product may not even be tried on this client: it holds what they are known not to
 * bear, allergies were not asked after, or no bottle of it is fit for use. A patch test finds what
 * nobody knows; it is never made of what is known.
 */
export function patchTrouble(
  product: Product,
  lots: readonly Lot[],
  verdict: Pick<Verdict, 'substances'>,
  answers: Answers,
  today: string,
): ProductBar | undefined {
  const [told] = substanceBars(product, verdict)
  if (told) return told
  const { allergy } = answers
  const named = allergy?.say === 'no' || (allergy?.substances ?? []).length > 0
  const inside = ingredientsIn(product.inci)
  if (!named && inside.some((id) => INGREDIENTS[id].allergen))
    return { rule: UNNAMED_ALLERGY, text: 'ask about allergies first' }
  const perLot = lots.map((lot) => lotBars(lot, product, today))
  if (perLot.length === 0) return { rule: 'no-product', text: 'none on the shelf' }
  return perLot.some((bars) => bars.length === 0) ? undefined : perLot[0]?.[0]
}

/** A word no family knows is matched as it stands. */
const holds = (product: Product, word: string) =>
  word.length >= WORD_LETTERS && product.inci.some((i) => i.toLowerCase().includes(word))

/** Why a bottle may not be used today: recalled, out of date, open too long, empty. */
export function lotBars(lot: Lot, product: Product, today: string): ProductBar[] {
  if (lot.recalled) return [{ rule: 'lot-recalled', text: 'recalled' }]
  if (daysBetween(today, lot.expires) < 0)
    return [{ rule: 'lot-expired', text: `out of date since ${dayInWords(lot.expires)}` }]
  if (lot.openedOn !== undefined) {
    const last = addDays(lot.openedOn, Math.floor(product.openMonths * MONTH_DAYS))
    if (daysBetween(today, last) < 0)
      return [
        {
          rule: 'lot-open-too-long',
          text: `open too long, since ${dayInWords(lot.openedOn)}: good for ${product.openMonths} months`,
        },
      ]
  }
  if (lot.remainingMillilitres <= 0) return [{ rule: 'lot-empty', text: 'empty' }]
  return []
}
