import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FINDING_ORDER } from '../../catalogue/consultation/findings'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { Answers } from '../../screening/asking/answers'
import type { Grade } from '../../skin/readings'
import { allNo, planInput, readAll } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { checkPlan } from '../checks/check'
import { barredNow } from './barredNow'

const grade = fc.integer({ min: 0, max: 4 }) as fc.Arbitrary<Grade>
const skin = fc.record({
  oil: grade,
  water: grade,
  congestion: grade,
  redness: fc.constantFrom<Grade>(0, 1),
  sensitivity: fc.constantFrom<Grade>(0, 1),
})
const inputOf = (read: Parameters<typeof readAll>[0], more: Answers) =>
  planInput({ readings: readAll(read), answers: allNo(more), slotMinutes: 60 })

describe('what is told while the visit runs counts for the step at hand', () => {
  it('says nothing of a plan whose answers still hold', () => {
    fc.assert(
      fc.property(skin, (read) => {
        const input = inputOf(read, {})
        for (const step of propose(input).steps)
          expect(barredNow(step, input, step.productId), step.technique).toBe('')
      }),
      { numRuns: 25 },
    )
  })

  it('speaks wherever the check of the whole plan would bar the step, and where the visit is off', () => {
    fc.assert(
      fc.property(skin, fc.constantFrom(...FINDING_ORDER), (read, finding) => {
        const { steps } = propose(inputOf(read, {}))
        const told = inputOf(read, { [finding]: { say: 'yes' } })
        const off = told.verdict.prevented.length > 0
        const barred = new Set(
          checkPlan(told, steps)
            .findings.filter(({ rule }) => rule === 'barred')
            .map(({ key }) => key),
        )
        for (const step of steps) {
          const words = barredNow(step, told, step.productId)
          const takesOff = TECHNIQUES[step.technique].removes === true
          if (takesOff) expect(words).toBe('')
          else if (off || barred.has(step.key)) expect(words, step.technique).not.toBe('')
        }
      }),
      { numRuns: 120 },
    )
  })

  it('says nothing of bottles that were called back: that is said of the bottle itself', () => {
    fc.assert(
      fc.property(skin, (read) => {
        const input = inputOf(read, {})
        const { steps } = propose(input)
        for (const step of steps) {
          const shelf = input.shelf.map((item) =>
            item.product.id === step.productId
              ? { ...item, lots: item.lots.map((lot) => ({ ...lot, recalled: true })) }
              : item,
          )
          expect(barredNow(step, { ...input, shelf }, step.productId), step.technique).toBe('')
        }
      }),
      { numRuns: 25 },
    )
  })

  it('speaks of a bottle that this client may not have, called back or not', () => {
    const read = { oil: 2, water: 1, congestion: 1, redness: 0, sensitivity: 0 } as const
    const { steps } = propose(inputOf(read, {}))
    const used = steps.filter(({ productId }) => productId !== undefined)
    expect(used.length).toBeGreaterThan(0)
    for (const step of used) {
      const told = inputOf(read, { allergy: { say: 'yes', substances: ['aqua'] } })
      const shelf = told.shelf.map((item) => ({
        ...item,
        lots: item.lots.map((lot) => ({ ...lot, recalled: true })),
      }))
      const said = barredNow(step, told, step.productId)
      expect(barredNow(step, { ...told, shelf }, step.productId), step.technique).toBe(said)
    }
  })

  it('a fever is the end of the visit', () => {
    const read = { oil: 3, water: 2, congestion: 3, redness: 0, sensitivity: 0 } as const
    const [step] = propose(inputOf(read, {})).steps
    if (!step) throw new Error('no plan')
    const fever = inputOf(read, { fever: { say: 'yes' } })
    expect(barredNow(step, fever, step.productId)).toMatch(/^Stop here\. /)
  })
})
