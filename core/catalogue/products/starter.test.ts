import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '../schools/schools'
import { propose } from '../../planning/answer/propose'
import { checkPlan } from '../../planning/checks/check'
import { planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { GROUPS } from '../../face/regions'
import { amountFor } from '../../dosing/amount'
import { addDays } from '../../screening/asking/days'
import { readLabel } from './label'
import { NOT_COPIED, STARTER_DAYS, starterProducts } from './starter'

let number = 0
const shelf = starterProducts(() => `starter-${++number}`).map((product) => ({
  product,
  lots: [
    {
      id: `${product.id}-lot`,
      productId: product.id,
      code: NOT_COPIED,
      expires: addDays(TODAY, STARTER_DAYS),
      recalled: false,
      remainingMillilitres: product.packMillilitres,
    },
  ],
}))

describe('the starter shelf', () => {
  it.each(SCHOOL_IDS)('plans a whole first visit in the school %s', (school) => {
    const input = planInput({
      shelf,
      school,
      firstVisit: true,
      devices: [],
      readings: readAll({ ...RESILIENT, water: 1 }),
    })
    const plan = propose(input)
    expect(plan.failed).toBeUndefined()
    expect(checkPlan(input, plan.steps).findings.map(({ rule }) => rule)).toEqual([])
    const works = plan.steps.map(({ technique }) => technique)
    for (const must of ['milk', 'moisturiser', 'sunProtection'] as const)
      expect(works).toContain(must)
  })
  it('names no line and no maker, and every amount is at least one measure of its bottle', () => {
    for (const { product } of shelf) {
      expect(product.line).toBe('')
      expect(amountFor(product, ['forehead', 'cheekL', 'cheekR']).count).toBeGreaterThan(0)
    }
  })
})

describe('a measure of the starter shelf', () => {
  const FACE = GROUPS.faceNeck
  it.each(shelf.map(({ product }) => [product.name, product] as const))(
    '%s is one that a hand would take for a face',
    (_name, product) => {
      const { count, measure, roundingPercent } = amountFor(product, FACE)
      // Ten small pumps are nobody's way to take a cream; one big one is more than an oil wants.
      if (measure === 'pump') expect(count).toBeLessThanOrEqual(6)
      if (measure === 'pump' || measure === 'drop')
        expect(Math.abs(roundingPercent)).toBeLessThanOrEqual(35)
    },
  )
})

describe('a label as it is printed', () => {
  it('is names, in their order, whatever stands between them', () => {
    expect(readLabel('Ingredients: Aqua, Glycerin;  Sodium\nHyaluronate • Parfum.')).toEqual([
      'Aqua',
      'Glycerin',
      'Sodium',
      'Hyaluronate',
      'Parfum',
    ])
  })
  it('keeps a comma that belongs to a name', () => {
    expect(readLabel('Aqua,1,2-Hexanediol,CI 77891')).toEqual([
      'Aqua',
      '1,2-Hexanediol',
      'CI 77891',
    ])
    expect(readLabel('')).toEqual([])
  })
})
