import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaOf } from '../face/regions'
import { REGION_IDS } from '../face/zones'
import { starterProducts } from '../catalogue/products/starter'
import { product } from '../testing/fixtures'
import { partOf } from './amount'
import { doseOf } from './layers'
import { besideAmount, portionsOf, portionWords } from './portions'

let bottles = 0
const shelf = starterProducts(() => `own-${bottles++}`)

describe('what is said beside an amount', () => {
  it('shares out what goes on as it comes, and not the powder of a paste', () => {
    const step = { regions: ['cheekL', 'cheekR', 'forehead', 'chin'] as const }
    const on = { faceSize: { height: 19, width: 14 } }
    const milk = product('milk', 'm', { dispenser: { kind: 'pump', millilitres: 1 } })
    const said = (own: typeof milk) => besideAmount({ regions: [...step.regions] }, own, 12, on)
    expect(said(milk).join()).toContain('forehead')
    const powder = product('hardeningPowder', 'p', { dispenser: { kind: 'scoop', millilitres: 1 } })
    expect(said(powder).join()).not.toContain('forehead')
    const recipe = { parts: 1, by: 'volume' as const, workingMinutes: 5, others: [] }
    expect(said({ ...milk, recipe }).join()).not.toContain('forehead')
  })
})

describe('a dose shared among its zones', () => {
  it('adds up to the dose, in whole measures, each zone once', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...shelf),
        fc.subarray([...REGION_IDS], { minLength: 1 }),
        fc.subarray([...REGION_IDS]),
        (own, regions, thirsty) => {
          const on = { thirsty }
          const dose = doseOf({ regions }, own, on)
          const portions = portionsOf({ regions }, own, dose, on)
          const sum = portions.reduce((total, { count }) => total + count, 0)
          expect(sum).toBeCloseTo(dose.count, 6)
          // Less than a measure goes where it goes.
          if (dose.count < partOf(own)) return
          for (const { count } of portions)
            expect(Math.abs(count / 0.25 - Math.round(count / 0.25))).toBeLessThan(1e-6)
          const zones = portions.flatMap((portion) => portion.regions)
          expect(new Set(zones).size).toBe(zones.length)
          for (const zone of zones) expect(regions).toContain(zone)
        },
      ),
    )
  })
  it('no portion is a measure off what its area asks for', () => {
    const milk = product('milk', 'm', { dispenser: { kind: 'pump', millilitres: 0.2 } })
    const regions = [...REGION_IDS]
    const dose = doseOf({ regions }, milk, {})
    for (const { regions: own, count } of portionsOf({ regions }, milk, dose, {})) {
      const share = (areaOf(own) / areaOf(regions)) * dose.count
      expect(Math.abs(count - share)).toBeLessThan(1)
    }
  })
  it('left and right are one portion; where there is but one, nothing is said', () => {
    const serum = product('serum', 's', { dispenser: { kind: 'drop', millilitres: 0.05 } })
    const regions = ['cheekL', 'cheekR', 'chin'] as const
    const portions = portionsOf({ regions }, serum, { count: 4 }, {})
    expect(portions[0]?.regions).toEqual(['cheekL', 'cheekR'])
    expect(portionWords(portions)).toMatch(/^cheeks \d · chin 1$/)
    expect(portionWords(portionsOf({ regions: ['chin'] }, serum, { count: 4 }, {}))).toBe('')
  })
  it('a thirsty zone is given twice the share', () => {
    const serum = product('serum', 's', { dispenser: { kind: 'drop', millilitres: 0.05 } })
    const on = (thirsty: ('cheekL' | 'cheekR')[]) =>
      portionsOf({ regions: ['cheekL', 'cheekR', 'forehead'] }, serum, { count: 12 }, { thirsty })
    const cheeks = (thirsty: ('cheekL' | 'cheekR')[]) =>
      on(thirsty).find(({ regions }) => regions.includes('cheekL'))?.count ?? 0
    expect(cheeks(['cheekL', 'cheekR'])).toBeGreaterThan(cheeks([]))
  })
})

describe('few measures', () => {
  const pump = product('milk', 'm', { dispenser: { kind: 'pump', millilitres: 1 } })
  const share = (count: number) =>
    portionsOf({ regions: ['forehead', 'chin'] }, pump, { count }, {})
  it('go whole to all of it where there is one, nowhere where there is none', () => {
    expect(share(1)).toEqual([{ regions: ['forehead', 'chin'], count: 1 }])
    expect(share(0)).toEqual([])
  })
  it('give more to the larger zone: never the smaller one more than the larger', () => {
    for (let count = 2; count <= 20; count++) {
      const [first = { count: 0 }, second = { count: 0 }] = share(count)
      expect(first.count).toBeGreaterThanOrEqual(second.count)
      expect(first.count + second.count).toBe(count)
    }
  })
})
