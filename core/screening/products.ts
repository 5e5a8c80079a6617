import { INGREDIENTS, ingredientsIn } from '../catalogue/products/ingredients'
import { familiesOfBottle } from '../catalogue/products/families'
import type { FamilyId } from '../catalogue/kinds'
import type { Lot, Product } from '../catalogue/products/products'
import type { Answers } from './answers'
import { addDays, daysBetween } from './days'
import type { Verdict } from './verdict'

/** Kinds of work that a row stops in the bottle too, and not only under the hand. */
const LEFT_BEHIND: readonly FamilyId[] = ['retinoid', 'leaveOnActive']

export interface ProductBar {
  rule: string
  text: string
}

/**
 * Why a product may not be used on this client: each ingredient that a row of the table stops, with
 * that row.
 */
export function productBars(product: Product, verdict: Verdict, answers: Answers): ProductBar[] {
  const out: ProductBar[] = []
  const inside = ingredientsIn(product.inci)
  for (const { word, rule, family } of verdict.substances) {
    const text =
      family && inside.includes(family)
        ? `holds ${INGREDIENTS[family].name}`
        : holds(product, word)
          ? `holds ${word}`
          : undefined
    if (
      text !== undefined &&
      !out.some((productBar) => productBar.rule === rule && productBar.text === text)
    )
      out.push({ rule, text })
  }
  const families = familiesOfBottle(product).filter((family) => LEFT_BEHIND.includes(family))
  for (const bar of verdict.bars)
    if (
      bar.does !== 'restricts' &&
      bar.families.some((family) => families.includes(family)) &&
      !out.some((own) => own.rule === bar.rule)
    )
      out.push({ rule: bar.rule, text: `holds an active: ${bar.sentence}` })
  const allergy = answers.allergy
  if (
    allergy?.say === 'yes' &&
    (allergy.substances ?? []).length === 0 &&
    inside.some((id) => INGREDIENTS[id].allergen)
  )
    out.push({ rule: 'allergy-products', text: 'allergy not named yet: ask before' })
  return out
}
/** A word no family knows is matched as it stands. */
const holds = (product: Product, word: string) =>
  word.length >= 3 && product.inci.some((i) => i.toLowerCase().includes(word))

/** Why a bottle may not be used today: recalled, out of date, open too long, empty. */
export function lotBars(lot: Lot, product: Product, today: string): ProductBar[] {
  if (lot.recalled) return [{ rule: 'lot-recalled', text: 'recalled' }]
  if (daysBetween(today, lot.expires) < 0)
    return [{ rule: 'lot-expired', text: `out of date since ${lot.expires}` }]
  if (lot.openedOn !== undefined) {
    const last = addDays(lot.openedOn, Math.floor(product.openMonths * 30.4))
    if (daysBetween(today, last) < 0)
      return [
        {
          rule: 'lot-open-too-long',
          text: `open too long, since ${lot.openedOn}: good for ${product.openMonths} months`,
        },
      ]
  }
  if (lot.remainingMillilitres <= 0) return [{ rule: 'lot-empty', text: 'empty' }]
  return []
}
