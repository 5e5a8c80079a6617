import { ALLERGENS, allergensIn, type AllergenId } from '../catalogue/allergens'
import type { Lot, Product } from '../catalogue/products'
import type { Answers } from './answers'
import { addDays, daysBetween } from './days'
import { allergyWords, type Verdict } from './verdict'

export interface ProductBar { rule: string, text: string }

/** Why a product may not be used on this client, if it may not. Retinol and salicylic acid are also held against pregnancy. */
export function productBars(product: Product, verdict: Verdict, answers: Answers): ProductBar[] {
  const out: ProductBar[] = []
  const inside = allergensIn(product.inci)
  const { families, words } = allergyWords(verdict.substances)
  for (const id of inside) if (families.includes(id)) out.push({ rule: 'allergy-products', text: `holds ${ALLERGENS[id as AllergenId].name}` })
  for (const w of words) if (product.inci.some((i) => i.toLowerCase().includes(w)) && out.length === 0) out.push({ rule: 'allergy-products', text: `holds ${w}` })
  const allergy = answers.allergy
  if (allergy?.say === 'yes' && (allergy.substances ?? []).length === 0 && inside.length > 0) out.push({ rule: 'allergy-products', text: 'allergy not named yet: ask before' })
  const expecting = answers.pregnancy
  if (expecting?.say !== 'no' && product.inci.some((i) => /retin/i.test(i))) out.push({ rule: 'pregnancy-current', text: 'holds a retinoid' })
  return out
}

/** Why a bottle may not be used today: recalled, out of date, open too long, empty. */
export function lotBars(lot: Lot, product: Product, today: string): ProductBar[] {
  if (lot.recalled) return [{ rule: 'lot-recalled', text: 'recalled' }]
  if (daysBetween(today, lot.expires) < 0) return [{ rule: 'lot-expired', text: `out of date since ${lot.expires}` }]
  if (lot.openedOn !== undefined) {
    const last = addDays(lot.openedOn, Math.floor(product.openMonths * 30.4))
    if (daysBetween(today, last) < 0) return [{ rule: 'lot-open-too-long', text: `open since ${lot.openedOn}, good for ${product.openMonths} months` }]
  }
  if (lot.remainingMillilitres <= 0) return [{ rule: 'lot-empty', text: 'empty' }]
  return []
}
