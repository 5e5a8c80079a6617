import type { ShelfRow } from '#contracts/replies/shelf'
import { KIND_NAMES, PRODUCT_KINDS, type ProductKind } from '#core/catalogue/kinds'
import { STARTER_SHELF } from '#core/catalogue/products/starter'
import { SUIT_IDS } from '#core/catalogue/products/suits'
import { fromHundredths, toHundredths } from '#core/units'
import { writeCsv } from './addressBook/csv'
import {
  productPost,
  productPut,
  type ProductFields,
  type ProductPost,
  type ProductPut,
} from './shelf'

/** Columns of a file of products; a price list has the name and the price alone. */
export const PRODUCT_COLUMNS = [
  'name',
  'kind',
  'line',
  'ingredients',
  'acid',
  'acid per cent',
  'pH',
  'density',
  'dispenser',
  'measure mL',
  'suits',
  'calming',
  'pack mL',
  'price',
  'good months',
  'colour change',
  'rests from min',
  'rests to min',
  'way off',
  'order below mL',
] as const
export type ProductColumn = (typeof PRODUCT_COLUMNS)[number]
/** Which column of a file holds which of these. */
export type ProductMapping = Partial<Record<ProductColumn, number>>

const text = (value: number | null | undefined) =>
  value === null || value === undefined ? '' : String(value)

/** The shelf as one CSV file that can be read back. */
export function writeProducts(rows: readonly ShelfRow[]): string {
  const lines = rows.map(({ product, reorderMillilitres }): Record<ProductColumn, string> => ({
    name: product.name,
    kind: KIND_NAMES[product.kind],
    line: product.line,
    ingredients: product.inci.join(', '),
    acid: product.acid?.name ?? '',
    'acid per cent': text(product.acid?.percent),
    pH: text(product.pH),
    density: text(product.density),
    dispenser: product.dispenser.kind,
    'measure mL': text(product.dispenser.millilitres),
    suits: product.suits.join(', '),
    calming: product.calming ? 'yes' : 'no',
    'pack mL': text(product.packMillilitres),
    price: fromHundredths(product.priceCents).toFixed(2),
    'good months': text(product.openMonths),
    'colour change': product.colourChange ?? '',
    'rests from min': text(product.rests?.from),
    'rests to min': text(product.rests?.to),
    'way off': product.wayOff ?? '',
    'order below mL': text(reorderMillilitres),
  }))
  return writeCsv(
    PRODUCT_COLUMNS,
    lines.map((line) => PRODUCT_COLUMNS.map((key) => line[key])),
  )
}

const CALLED: Partial<Record<ProductColumn, RegExp>> = {
  name: /^(product|article|item|name)$/i,
  ingredients: /^(inci|ingredients?|label)$/i,
  price: /^(price|cost|list price)$/i,
  'pack mL': /^(pack|size|volume|ml)$/i,
}
/** A first guess of which column is what, by its name. */
export function guessProducts(headers: readonly string[]): ProductMapping {
  const mapping: ProductMapping = {}
  for (const column of PRODUCT_COLUMNS) {
    const at = headers.findIndex(
      (name) => name.toLowerCase() === column.toLowerCase() || CALLED[column]?.test(name),
    )
    if (at >= 0) mapping[column] = at
  }
  return mapping
}

/** A row of a file as a product: a new one, one that is changed, or what is wrong with it. */
export interface ProductRead {
  name: string
  add?: ProductPost
  change?: ProductPut
  /** What is changed, in words. */
  words: string[]
  wrong: string[]
}

const number = (typed: string) => Number(typed.replace(/\s/g, '').replace(',', '.'))
/** An apostrophe before what a spreadsheet would run is the export's own: it goes again. */
const bare = (typed: string) => typed.replace(/^'(?=[=+\-@\t\r])/, '')
const kindOf = (typed: string): ProductKind | undefined =>
  PRODUCT_KINDS.find(
    (kind) =>
      kind.toLowerCase() === typed.toLowerCase() ||
      KIND_NAMES[kind].toLowerCase() === typed.toLowerCase(),
  )

type Given = Partial<Record<ProductColumn, string>>
function givenIn(row: readonly string[], mapping: ProductMapping): Given {
  const given: Given = {}
  for (const column of PRODUCT_COLUMNS) {
    const at = mapping[column]
    const typed = at === undefined ? '' : bare((row[at] ?? '').trim())
    if (typed !== '') given[column] = typed
  }
  return given
}

/** What a product of a kind usually is, where a file does not say. */
function usual(kind: ProductKind): Omit<ProductFields, 'name'> {
  const plain = STARTER_SHELF.find((row) => row.kind === kind)
  return {
    kind,
    line: '',
    label: '',
    acid: null,
    pH: null,
    density: plain?.more?.density ?? 1,
    dispenser: plain?.dispenser ?? { kind: 'pour', millilitres: 1 },
    suits: ['all'],
    calming: false,
    packMillilitres: plain?.packMillilitres ?? 100,
    priceCents: 0,
    openMonths: plain?.openMonths ?? 12,
    colourChange: null,
    rests: null,
    wayOff: null,
    reorderMillilitres: null,
  }
}
const fieldsOf = ({ product, reorderMillilitres }: ShelfRow): ProductFields => {
  const {
    id: _,
    recipe: _own,
    inci,
    acid,
    pH,
    suits,
    colourChange,
    rests,
    wayOff,
    ...rest
  } = product
  const kept = {
    label: inci.join(', '),
    acid: acid ?? null,
    pH: pH ?? null,
    suits: [...suits],
    colourChange: colourChange ?? null,
    rests: rests ?? null,
    wayOff: wayOff ?? null,
  }
  return { ...rest, ...kept, reorderMillilitres }
}

/** A recipe is not in a file of products: what a product is mixed with stays as it is. */
type InFile = Exclude<keyof ProductFields, 'recipe'>
/** What a file says laid over what was there; wrong words stay as they are and are refused. */
function laidOver(base: ProductFields, given: Given): Record<InFile, unknown> {
  const num = (column: ProductColumn, stands: number | null) =>
    given[column] === undefined ? stands : number(given[column])
  const acid = given.acid ?? base.acid?.name
  return {
    name: given.name ?? base.name,
    kind: base.kind,
    line: given.line ?? base.line,
    label: given.ingredients ?? base.label,
    acid: acid ? { name: acid, percent: num('acid per cent', base.acid?.percent ?? null) } : null,
    pH: num('pH', base.pH),
    density: num('density', base.density),
    dispenser: {
      kind: given.dispenser ?? base.dispenser.kind,
      millilitres: num('measure mL', base.dispenser.millilitres),
    },
    suits: given.suits?.split(/\s*[,;]\s*/) ?? base.suits,
    calming: given.calming === undefined ? base.calming : /^(yes|true|1|x)$/i.test(given.calming),
    packMillilitres: num('pack mL', base.packMillilitres),
    priceCents: given.price === undefined ? base.priceCents : toHundredths(number(given.price)),
    openMonths: num('good months', base.openMonths),
    ...labelIn(base, given),
    reorderMillilitres: num('order below mL', base.reorderMillilitres),
  }
}

/** What a label says of how it works and comes off. */
const labelIn = (
  base: ProductFields,
  given: Given,
): Record<'colourChange' | 'rests' | 'wayOff', unknown> => ({
  colourChange: given['colour change'] ?? base.colourChange,
  rests: restsIn(base, given),
  wayOff: given['way off'] ?? base.wayOff,
})

/** Both minutes of a label, or none; one alone is refused as it stands. */
function restsIn({ rests }: ProductFields, given: Given): unknown {
  const from = given['rests from min']
  const to = given['rests to min']
  if (from === undefined && to === undefined) return rests
  return {
    from: from === undefined ? rests?.from : number(from),
    to: to === undefined ? rests?.to : number(to),
  }
}

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)
const shown = (value: unknown) =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : String(value ?? 'none')
function changes(base: ProductFields, next: Record<InFile, unknown>): string[] {
  return (Object.keys(next) as InFile[]).flatMap((key) => {
    if (same(base[key], next[key])) return []
    if (key === 'label') return ['ingredients']
    if (key === 'priceCents')
      return [
        `price ${fromHundredths(base.priceCents)} to ${fromHundredths(Number(next.priceCents))}`,
      ]
    return [`${key} ${shown(base[key])} to ${shown(next[key])}`]
  })
}

/**
 * Reads a row: a name the shelf has once changes that product, another name makes a new one.
 * @param newId an id for a new product
 */
export function readProduct(
  row: readonly string[],
  mapping: ProductMapping,
  shelf: readonly ShelfRow[],
  newId: () => string,
): ProductRead {
  const given = givenIn(row, mapping)
  const name = given.name ?? ''
  const called = shelf.filter(({ product }) => product.name.toLowerCase() === name.toLowerCase())
  const bad = (why: string): ProductRead => ({ name, words: [], wrong: [why] })
  if (called.length > 1) return bad('several products have this name')
  const [there] = called
  const kind = given.kind === undefined ? there?.product.kind : kindOf(given.kind)
  if (!kind) return bad(given.kind ? `kind: ${given.kind} is none of the kinds` : 'kind: not said')
  const wrongSuit = given.suits?.split(/\s*[,;]\s*/).find((word) => !isSuit(word))
  if (wrongSuit) return bad(`suits: ${wrongSuit} is none of ${SUIT_IDS.join(', ')}`)
  const base = there ? { ...fieldsOf(there), kind } : { name, ...usual(kind) }
  const next = laidOver(base, given)
  if (there) {
    const { version, retired, product } = there
    const read = productPut.safeParse({ id: product.id, version, retired, ...next })
    if (!read.success) return { name, words: [], wrong: wrongOf(read.error) }
    const words = changes(fieldsOf(there), next)
    return { name, words, wrong: [], ...(words.length > 0 ? { change: read.data } : {}) }
  }
  const read = productPost.safeParse({ id: newId(), ...next })
  if (!read.success) return { name, words: [], wrong: wrongOf(read.error) }
  return { name, words: ['new'], wrong: [], add: read.data }
}
const isSuit = (word: string) => (SUIT_IDS as readonly string[]).includes(word)
const wrongOf = (error: { issues: { path: PropertyKey[]; message: string }[] }) =>
  error.issues.map(({ path, message }) => `${path.map(String).join('.')}: ${message}`)
