import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { INGREDIENTS, ingredientsIn, INGREDIENT_IDS } from '../../catalogue/products/ingredients'
import { allNo, lot, planInput, product, TODAY } from '../../testing/fixtures'
import { patchTrouble } from './products'
import { screen } from '../verdict/verdict'

const HONEY = product('hydratingMask', 'honey', { inci: ['Aqua', 'Mel'] })
const told = (...substances: string[]) => allNo({ allergy: { say: 'yes', substances } })
const trouble = (answers = allNo(), bottle = HONEY, lots = [lot(bottle.id)]) =>
  patchTrouble(bottle, lots, screen(answers, TODAY), answers, TODAY)

describe('a patch test finds what nobody knows; it is never made of what is known', () => {
  it('honey for somebody who is allergic to honey', () => {
    expect(trouble(told('honey'))?.text).toMatch(/honey|bee/)
    expect(trouble(allNo())).toBeUndefined()
  })
  it('whatever ingredient was told, no bottle that holds it is tried', () => {
    const allergens = INGREDIENT_IDS.filter((id) => INGREDIENTS[id].allergen)
    expect(allergens.length).toBeGreaterThan(5)
    const bottles = planInput().shelf
    fc.assert(
      fc.property(fc.constantFrom(...allergens), fc.constantFrom(...bottles), (id, { product }) => {
        const inci = INGREDIENTS[id].words[0] ?? INGREDIENTS[id].name
        const bottle = { ...product, inci: ['Aqua', inci] }
        if (!ingredientsIn(bottle.inci).includes(id)) return
        expect(trouble(told(INGREDIENTS[id].name), bottle, [lot(bottle.id)])).toBeDefined()
        // Not asked, or not sure, is not a no.
        expect(trouble({}, bottle, [lot(bottle.id)])).toBeDefined()
        expect(trouble(allNo({ allergy: { say: 'unsure' } }), bottle)?.text).toBeDefined()
      }),
    )
  })
  it('nor a bottle that is recalled, out of date or gone', () => {
    const lotBad = [lot('honey', { recalled: true })]
    expect(trouble(allNo(), HONEY, lotBad)?.rule).toBe('lot-recalled')
    expect(trouble(allNo(), HONEY, [lot('honey', { expires: '2020-01-01' })])).toBeDefined()
    expect(trouble(allNo(), HONEY, [])?.rule).toBe('no-product')
  })
})
