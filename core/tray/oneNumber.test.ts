import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../catalogue/kinds'
import { MIXES } from '../catalogue/products/mixes'
import { POINTS } from '../catalogue/schools/camps'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { starterProducts } from '../catalogue/products/starter'
import { amountFor, openedFor, pouredCents } from '../dosing/amount'
import { doseOf } from '../dosing/layers'
import { REGION_IDS } from '../face/zones'
import { plannedCost } from '../cost/ofVisit'
import { sumOf } from '../cost/visitCost'
import { alongside } from '../planning/today/alongside'
import { alongOn, productOn, productsOf } from '../record/bottles'
import { lot, planInput, product } from '../testing/fixtures'
import { minutes } from '../units'
import { trayFor } from './tray'

const NUMBER = '(\\d+|two|three|four|five|six|seven|eight|half|¼|½|¾)'
const MEASURE = '(drops?|pumps?|sprays?|fingertips?|spatulas?|scoops?|mL|teaspoons?|rice grains?)'
/** "three fingertip units", "two to four drops": how much of something is taken. */
const AMOUNT = new RegExp(`\\b${NUMBER}( (to|or|of) \\w+)?( level)? ${MEASURE}\\b`, 'i')

/** Every word that stands in rows, wherever it stands in them. */
const wordsIn = (row: unknown): string[] =>
  typeof row === 'string'
    ? [row]
    : row !== null && typeof row === 'object'
      ? Object.values(row).flatMap(wordsIn)
      : []

let bottles = 0
const shelf = starterProducts(() => `bottle-${bottles++}`).map((product) => ({
  product,
  lots: [lot(product.id, { remainingMillilitres: 500 })],
}))

/** The same with a price on each, and what the starter shelf has none of. */
const whole = [
  ...shelf.map(({ product: own, lots }) => ({ product: { ...own, priceCents: 4000 }, lots })),
  ...PRODUCT_KINDS.filter((kind) => !shelf.some((item) => item.product.kind === kind)).map(
    (kind) => ({
      product: product(kind, kind, { dispenser: { kind: 'scoop', millilitres: 10 } }),
      lots: [lot(kind, { remainingMillilitres: 500 })],
    }),
  ),
]

describe('one number for one thing', () => {
  it('no word of a step or a school says how much is taken: its dose does', () => {
    for (const words of wordsIn([TECHNIQUES, POINTS, MIXES])) expect(words).not.toMatch(AMOUNT)
  })
  it('sees such a word where there is one', () => {
    for (const words of ['Three fingertip units', 'two to four drops', '2 mL', 'half a drop'])
      expect(`${words}.`.replace('half a', 'half')).toMatch(AMOUNT)
  })
  it('of what is mixed the tray lays the very powder that the mixing card stirs', () => {
    const using = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].product !== undefined)
    fc.assert(
      fc.property(
        fc.constantFrom(...using),
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        (technique, regions) => {
          const item = shelf.find(({ product }) => product.kind === TECHNIQUES[technique].product)
          if (!item) return
          const { product } = item
          const step = { key: 'own', technique, regions, minutes: minutes(1), why: [] }
          const input = planInput({ shelf })
          const tray = trayFor(input, [{ ...step, productId: product.id }])
          const dose = doseOf(step, product, input)
          expect(tray.products[0]?.amount).toEqual(dose)
          const mixed = MIXES.find(({ kind }) => kind === product.kind)
          expect(tray.mixes[0]?.mix.powder).toBe(mixed ? dose.count : undefined)
          expect(tray.mixes[0]?.mix.parts[0]?.count).toBe(mixed && dose.count * mixed.liquidParts)
        },
      ),
    )
  })
  it('what the tray lays the record keeps and the bill counts, of each bottle of a step', () => {
    const using = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].product ?? TECHNIQUES[id].takesAlso)
    fc.assert(
      fc.property(
        fc.constantFrom(...using),
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        (technique, regions) => {
          const item = whole.find(({ product }) => product.kind === TECHNIQUES[technique].product)
          const step = {
            ...{ key: 'own', technique, regions, minutes: minutes(1), why: [] },
            ...(item ? { productId: item.product.id } : {}),
          }
          const input = planInput({ shelf: whole })
          const laid = trayFor(input, [step]).products
          const source = {
            state: { products: {}, taken: {} } as never,
            shelf: whole,
            dose: input,
            lotOf: () => null,
            alongOf: (own: PlanStep) => alongside(own, input),
          }
          const product = productOn(step, source, undefined)
          const kept = productsOf({ product, ...alongOn(step, source, undefined) })
          expect(kept.map(({ id }) => id)).toEqual(laid.map(({ productId }) => productId))
          for (const [at, { plannedMl }] of kept.entries())
            expect(plannedMl).toBeCloseTo(laid[at]?.amount.millilitres ?? -1, 1)
          expect(laid.length).toBeGreaterThan(0)
          const bill = plannedCost(input, [step], 60, {})
          expect(bill.map(({ name }) => name)).toEqual(
            laid.filter(({ amount }) => amount.costCents > 0).map(({ name }) => name),
          )
          expect(sumOf(bill)).toBe(laid.reduce((sum, { amount }) => sum + amount.costCents, 0))
        },
      ),
    )
  })
  it('the activator is the very liquid of the mixing card, by the scoop of the powder', () => {
    const input = planInput({ shelf: whole })
    const powder = whole.find(({ product }) => product.kind === 'hardeningPowder')?.product
    const regions = [...REGION_IDS]
    const step = {
      ...{ key: 'own', technique: 'hardeningMask' as const, regions, minutes: minutes(3), why: [] },
      productId: powder?.id ?? '',
    }
    const { products, mixes } = trayFor(input, [step])
    expect(products[1]?.amount.count).toBe(mixes[0]?.mix.parts[0]?.count)
    expect(products[1]?.amount.millilitres).toBeCloseTo(
      (products[0]?.amount.millilitres ?? 0) * 2,
      6,
    )
  })
  it('of an ampoule the face takes half; all of it is opened, and goes', () => {
    const ampoule = whole.find(({ product }) => product.kind === 'ampoule')?.product
    if (!ampoule) throw new Error('no ampoule')
    const face = amountFor(ampoule, ['cheekL', 'cheekR', 'forehead', 'chin', 'nose'])
    expect(face.words).toBe('½ piece')
    expect(openedFor(ampoule, face.millilitres)).toBe(ampoule.dispenser.millilitres)
    expect(face.costCents).toBe(pouredCents(ampoule, ampoule.dispenser.millilitres))
    const all = amountFor(ampoule, REGION_IDS)
    expect(openedFor(ampoule, all.millilitres)).toBeGreaterThanOrEqual(all.millilitres)
  })
})
