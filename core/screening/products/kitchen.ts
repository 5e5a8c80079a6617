import {
  IN_BOTTLES,
  KITCHEN,
  KITCHEN_HARM_ROWS,
  KITCHEN_LIFE_ROWS,
  KITCHEN_LIVES,
  UNKNOWN_LIFE,
  type KitchenHarm,
  type KitchenLife,
  type KitchenRow,
} from '../../catalogue/products/kitchen'
import type { Product } from '../../catalogue/products/products'
import { oncePer } from '../../once'
import type { Profile } from '../../skin/profile'
import type { ProductBar } from './products'

type Read = Pick<Product, 'inci' | 'recipe'>

/** What a bottle or a bowl is made of, as it is said: its label, and each part that is stirred in. */
const wordsOf = ({ inci, recipe }: Read): string[] => [
  ...inci,
  ...(recipe?.others.flatMap(({ name, label }) => [name, label]) ?? []),
]

/** Things of the kitchen of which something speaks, in the order of the table. */
export const kitchenIn = (words: readonly string[]): KitchenRow[] =>
  KITCHEN.filter(({ said }) => words.some((word) => said.test(word)))

const harmsIn = oncePer((product: Read): { row: KitchenRow; harm: KitchenHarm }[] =>
  kitchenIn(wordsOf(product)).flatMap((row) =>
    row.harms
      .filter((harm) => product.recipe !== undefined || IN_BOTTLES.includes(harm))
      .map((harm) => ({ row, harm })),
  ),
)

const milderWords = ({ milder }: KitchenRow) => (milder ? `; milder: ${milder}` : '')

/**
 * Why a bottle or a bowl may not be used on this client today for what of a kitchen is in it: light,
 * spice, sharp edges, what clogs; each with what does the same more mildly.
 */
export function kitchenBars(
  product: Read & Pick<Product, 'kind'>,
  { type, conditions }: Pick<Profile, 'type' | 'conditions'>,
  daylight: boolean,
): ProductBar[] {
  return harmsIn(product).flatMap(({ row, harm }): ProductBar[] => {
    const rule = KITCHEN_HARM_ROWS[harm]
    const stops =
      (rule.byDay === true && daylight) ||
      (rule.types?.includes(type) ?? false) ||
      (rule.conditions?.some((own) => conditions.includes(own)) ?? false) ||
      (rule.kinds?.includes(product.kind) ?? false)
    if (!stops) return []
    return [
      { rule: `kitchen-${harm}`, text: `holds ${row.name}: ${rule.sentence}${milderWords(row)}` },
    ]
  })
}

/** Whether it holds what reacts to light: citrus peel, lime, bergamot, fig. */
export const reactsToLight = (product: Read): boolean =>
  harmsIn(product).some(({ harm }) => harm === 'light')

/** What of a mix of the house's own asks for a dab on the arm first, whatever the skin reads. */
export const kitchenPatch = (product: Read): string | undefined =>
  harmsIn(product).flatMap(({ harm }) => KITCHEN_HARM_ROWS[harm].patch ?? [])[0]

/**
 * How long a mix may be kept: as long as that of its parts which keeps the shortest. What is not known
 * is used at once.
 */
export function lifeOf({ inci, recipe }: Read): KitchenLife {
  const parts = [inci, ...(recipe?.others.map(({ name, label }) => [name, label]) ?? [])]
  const lives = parts.map((words) => {
    const known = kitchenIn(words).map(({ life }) => life)
    return KITCHEN_LIVES.find((life) => known.includes(life)) ?? UNKNOWN_LIFE
  })
  return KITCHEN_LIVES.find((life) => lives.includes(life)) ?? UNKNOWN_LIFE
}
/** "used at once; what is left is thrown out". */
export const lifeWords = (product: Read): string => KITCHEN_LIFE_ROWS[lifeOf(product)].words

/** What is said of a part while a recipe is written: what it may do, how it keeps, what is milder. */
export const kitchenWords = (words: readonly string[]): string[] =>
  kitchenIn(words)
    .filter(({ harms }) => harms.length > 0)
    .map(
      (row) =>
        `${row.name}: ${row.harms.map((harm) => KITCHEN_HARM_ROWS[harm].sentence).join('; ')}` +
        milderWords(row),
    )
