import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { minutes } from '../../units'
import { propose } from '../answer/propose'
import { changedWords } from './changed'

const { steps } = propose(planInput())
const worked = steps.filter(({ technique }) => TECHNIQUES[technique].connects === undefined)

describe('what a version changed of the one before', () => {
  it('is nothing of the same plan', () => {
    expect(changedWords(steps, steps)).toEqual([])
  })
  it('names each step that was left out, added or made other, and no other step', () => {
    fc.assert(
      fc.property(fc.subarray(worked, { minLength: 1 }), (some) => {
        const keys = some.map(({ key }) => key)
        const left = steps.filter(({ key }) => !keys.includes(key))
        const names = some.map(({ technique }) => TECHNIQUES[technique].name)
        expect(changedWords(steps, left)).toEqual(names.map((name) => `${name} left out`))
        expect(changedWords(left, steps)).toEqual(
          some.map((own, at) => `${names[at] ?? ''} added, ${own.minutes} min`),
        )
        const longer = steps.map((own) =>
          keys.includes(own.key) ? { ...own, minutes: minutes(own.minutes + 1) } : own,
        )
        expect(changedWords(steps, longer)).toEqual(
          some.map((own, at) => `${names[at] ?? ''}: ${own.minutes + 1} min, was ${own.minutes}`),
        )
      }),
      { numRuns: 40 },
    )
  })
  it('says which zones, passes, level and bottle', () => {
    const [step] = worked
    if (!step) throw new Error('no step')
    const before = { ...step, regions: ['chin', 'nose'] as const, passes: 1, setting: 2 }
    const after = { ...before, regions: ['chin', 'neck'] as const, passes: 2, setting: 1 }
    expect(changedWords([before], [{ ...after, productId: 'another' }])[0]).toMatch(
      /passes 2, was 1; level 1, was 2; not on nose; also on neck; another bottle$/,
    )
  })
})
