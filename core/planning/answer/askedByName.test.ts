import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CONCERN_IDS } from '../../catalogue/kinds'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { screen } from '../../screening/verdict/verdict'
import type { Grade } from '../../skin/readings'
import { allNo, lot, planInput, product, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { allowance } from '../today/allowed'
import { leftOut } from './leftOut'
import { propose } from './propose'

/**
 * From the trade's ladder, not from the catalogue's own numbers: tip, crystals, salon peel, blade and
 * needling are done for somebody who came for them (common practice).
 */
const STRONG: readonly TechniqueId[] = ['tip', 'crystals', 'salonPeel', 'blade', 'needling']
const grade = fc.integer({ min: 0, max: 4 }) as fc.Arbitrary<Grade>
const anybody = fc.record({
  skin: fc.record({
    oil: grade,
    water: grade,
    congestion: grade,
    redness: fc.constantFrom<Grade>(0, 1),
    sensitivity: fc.constantFrom<Grade>(0, 1),
  }),
  age: fc.integer({ min: 18, max: 80 }),
  school: fc.constantFrom(...SCHOOL_IDS),
  aims: fc.uniqueArray(fc.constantFrom(...CONCERN_IDS), { maxLength: 4 }),
  slot: fc.integer({ min: 40, max: 90 }),
  daylight: fc.boolean(),
})
type Anybody = typeof anybody extends fc.Arbitrary<infer T> ? T : never
const inputOf = ({ skin, age, school, aims, slot, daylight }: Anybody) =>
  planInput({ readings: readAll(skin), age, school, aims, slotMinutes: slot, daylight })
const strongIn = (steps: readonly { technique: TechniqueId }[]) =>
  steps.map(({ technique }) => technique).filter((id) => STRONG.includes(id))

describe('strong work is done for who came for it', () => {
  it('is in no plan that nobody asked it of', () => {
    fc.assert(
      fc.property(anybody, (one) => {
        expect(strongIn(propose(inputOf(one)).steps)).toEqual([])
      }),
      { numRuns: 40 },
    )
  })
  it('is in no plan by another of the strong that was asked for', () => {
    fc.assert(
      fc.property(anybody, fc.constantFrom(...STRONG), (one, named) => {
        const { steps } = propose({ ...inputOf(one), named: [named] })
        expect(strongIn(steps).filter((id) => id !== named)).toEqual([])
      }),
      { numRuns: 25 },
    )
  })
  it('may be planned once it is named, and says why not before', () => {
    const input = planInput({ readings: readAll({ ...RESILIENT, congestion: 3 }) })
    for (const id of STRONG) {
      expect(
        allowance(id, input).never.map(({ rule }) => rule),
        id,
      ).toContain('named-only')
      expect(
        allowance(id, { ...input, named: [id] }).never.map(({ rule }) => rule),
        id,
      ).not.toContain('named-only')
      expect(
        allowance(id, { ...input, pins: [{ technique: id, regions: ['nose'] }] as never }).never,
        id,
      ).toEqual([])
    }
  })
  it('an acid as strong as a peel is no mask that anybody gets unasked', () => {
    const strong = product('acidMask', 'strong', {
      acid: { name: 'glycolic', percent: 15 },
      pH: 3.2,
    })
    const shelf = planInput()
      .shelf.filter(({ product: own }) => !['acidMask', 'resurfacingMask'].includes(own.kind))
      .concat({ product: strong, lots: [lot('strong')] })
    fc.assert(
      fc.property(anybody, (one) => {
        const { steps } = propose({ ...inputOf(one), shelf, usedBefore: ['strong'] })
        expect(steps.map(({ productId }) => productId)).not.toContain('strong')
      }),
      { numRuns: 20 },
    )
  })
  it('is planned for who came for it wherever a plan can hold it, or is said not to be, and why', () => {
    fc.assert(
      fc.property(anybody, fc.constantFrom(...STRONG), (one, named) => {
        const input = { ...inputOf(one), named: [named] }
        const { steps } = propose(input)
        if (strongIn(steps).includes(named)) return
        const must = propose({ ...input, wanted: [named] })
        expect(strongIn(must.steps)).not.toContain(named)
        const [first] = leftOut(input, steps)
        expect(first?.technique).toBe(named)
        expect(first?.why.text).not.toBe('')
        expect(first?.why.rule).not.toBe('value')
      }),
      { numRuns: 25 },
    )
  })
  it('two that do not go together cost nobody the visit', () => {
    const input = planInput({ readings: readAll(RESILIENT), named: ['tip', 'needling'] })
    const { steps, failed } = propose(input)
    expect(failed).toBeUndefined()
    expect(strongIn(steps)).toEqual(['tip'])
  })
  it('nobody who is pregnant gets a peel, asked for or not', () => {
    const answers = allNo({ pregnancy: { say: 'yes' } })
    const input = { answers, verdict: screen(answers, TODAY), named: ['salonPeel'] as const }
    fc.assert(
      fc.property(anybody, (one) => {
        const plan = propose({ ...inputOf(one), ...input })
        expect(plan.steps.map(({ technique }) => technique)).not.toContain('salonPeel')
      }),
      { numRuns: 15 },
    )
    expect(allowance('salonPeel', planInput(input)).never).not.toEqual([])
  })
})
