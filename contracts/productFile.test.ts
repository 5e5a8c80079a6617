import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '#core/catalogue/kinds'
import { starterProducts } from '#core/catalogue/products/starter'
import { guessProducts, readProduct, writeProducts } from './productFile'
import { readCsv } from './addressBook/csv'
import type { ShelfRow } from '#contracts/replies/shelf'

let made = 0
const newId = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`
const SHELF: ShelfRow[] = starterProducts(newId).map((product) => ({
  ...{ product, version: 3, retired: false, reorderMillilitres: 20, leftMillilitres: 0 },
  ...{ low: true, suspected: 0, lots: [] },
}))
const read = (csv: string, shelf: readonly ShelfRow[]) => {
  const file = readCsv(csv)
  if (!file) throw new Error('nothing in it')
  return file.rows.map((row) => readProduct(row, guessProducts(file.headers), shelf, newId))
}

describe('products as a file', () => {
  it('come back as they went, with nothing to change; into an empty house as new ones', () => {
    const csv = writeProducts(SHELF)
    for (const one of read(csv, SHELF)) expect(one).toMatchObject({ words: [], wrong: [] })
    const fresh = read(csv, [])
    expect(fresh.flatMap(({ wrong }) => wrong)).toEqual([])
    expect(fresh.map(({ add }) => add?.kind).sort()).toEqual(
      SHELF.map(({ product }) => product.kind).sort(),
    )
  })
  it('any name and label goes out and comes back, also what a spreadsheet would run', () => {
    const word = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 40 })
      .map((text) => text.trim().replace(/\p{C}/gu, ''))
      .filter((text) => text !== '' && !text.startsWith("'"))
    fc.assert(
      fc.property(word, word, (name, line) => {
        const [first] = SHELF
        if (!first) return
        const product = { ...first.product, name, line, colourChange: name }
        const row = { ...first, product }
        const [back] = read(writeProducts([row]), [])
        expect(back?.add).toMatchObject({
          ...{ name, line, colourChange: name, kind: first.product.kind },
        })
      }),
    )
  })
  it('a price list of names and prices changes the prices and nothing else', () => {
    const [first, second] = SHELF
    const csv = `Product;Price\n${first?.product.name};12,50\n${second?.product.name};0`
    const [one, two] = read(csv, SHELF)
    expect(one?.change).toMatchObject({ id: first?.product.id, version: 3, priceCents: 1250 })
    expect(one?.words).toEqual(['price 0 to 12.5'])
    expect(two).toMatchObject({ words: [], wrong: [] })
    expect(two?.change).toBeUndefined()
  })
  it('every bad row says what is wrong with it, and is neither new nor changed', () => {
    const csv = [
      'name,kind,pack mL,pH,price,suits',
      'No Kind,,50,,1,',
      'Odd Kind,soup,50,,1,',
      'Odd Pack,milk,lots,,1,',
      'Odd pH,milk,50,19,1,',
      'Odd Price,milk,50,,-3,',
      'Odd Suit,milk,50,,1,everybody',
      ',milk,50,,1,',
    ].join('\n')
    for (const one of read(csv, [])) {
      expect(one.wrong.length, one.name).toBeGreaterThan(0)
      expect(one.add ?? one.change, one.name).toBeUndefined()
    }
  })
  it('knows every kind by its name', () => {
    for (const kind of PRODUCT_KINDS)
      expect(read(`name,kind\nA thing,${kind}`, [])[0]?.wrong).toEqual([])
  })
})
