import { MONTH_DAYS, UNNAMED_ALLERGY, WORD_LETTERS } from '../../catalogue/rules/screening'
import { INGREDIENTS, ingredientsIn, type IngredientId } from '../../catalogue/products/ingredients'
import { strayFamilies } from '../../catalogue/products/families'
import { BOTTLE_FAMILIES, type BottleFamily } from '../../catalogue/kinds'
import type { Lot, Product } from '../../catalogue/products/products'
import type { Answers } from '../asking/answers'
import { addDays, dayInWords, daysBetween } from '../asking/days'
import { oncePer } from '../../once'
import type { Bar, Named, Verdict } from '../verdict/verdict'

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
  const said = new Set(out.map(({ rule }) => rule))
  // Most bottles hold only what their work is for: no bar speaks of them.
  for (const bar of families.length === 0 ? [] : verdict.bars) {
    const held = bar.does === 'restricts' ? undefined : heldOf(bar, families)
    if (held === undefined || said.has(bar.rule)) continue
    said.add(bar.rule)
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
  const found = toldOnce(substances).flatMap(({ word, family, rules }) => {
    const text = saidOf(product, word, family)
    return text === undefined ? [] : [...rules].map(([rule, place]) => ({ rule, text, place }))
  })
  const inTurn = found.toSorted((one, other) => one.place - other.place)
  // Two words of one family say the same.
  return [...new Map(inTurn.map(({ rule, text }) => [`${rule} ${text}`, { rule, text }])).values()]
}

function saidOf(product: Product, word: string, family?: IngredientId): string | undefined {
  if (family && ingredientsIn(product.inci).includes(family))
    return `holds ${INGREDIENTS[family].name}`
  return holds(product, word) ? `holds ${word}` : undefined
}

/** A word that was told, with the rules that stop it and where each of them stands among all. */
interface Told extends Pick<Named, 'word' | 'family'> {
  rules: Map<string, number>
}

/** Each word once, however many rules stop it: a shelf is read for the words and not for the rules. */
const toldOnce = oncePer((substances: readonly Named[]): readonly Told[] => {
  const told = new Map<string, Told>()
  for (const [place, { word, rule, family }] of substances.entries()) {
    const key = `${family ?? ''}:${word}`
    const own = told.get(key) ?? {
      word,
      rules: new Map<string, number>(),
      ...(family === undefined ? {} : { family }),
    }
    if (!own.rules.has(rule)) own.rules.set(rule, place)
    told.set(key, own)
  }
  return [...told.values()]
})

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
const holds = ({ inci }: Product, word: string) =>
  word.length >= WORD_LETTERS && inSmallLetters(inci).some((name) => name.includes(word))
const inSmallLetters = oncePer((inci: readonly string[]) => inci.map((name) => name.toLowerCase()))

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
