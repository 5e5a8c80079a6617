import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MIXES } from '../catalogue/products/mixes'
import { POINTS } from '../catalogue/schools/camps'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { starterProducts } from '../catalogue/products/starter'
import { doseOf } from '../dosing/layers'
import { REGION_IDS } from '../face/zones'
import { lot, planInput } from '../testing/fixtures'
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
          expect(tray.mixes[0]?.mix.liquid).toBe(mixed && dose.count * mixed.liquidParts)
        },
      ),
    )
  })
})
