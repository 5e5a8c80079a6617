import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FINDING_ORDER } from '../../catalogue/consultation/findings'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { propose } from '../../planning/answer/propose'
import { checkPlan } from '../../planning/checks/check'
import type { Answers } from '../../screening/asking/answers'
import type { Grade } from '../../skin/readings'
import { allNo, planInput, readAll } from '../../testing/fixtures'
import { done, roomOf, type TapAt } from '../../testing/room'
import { takesOff } from '../../timing/removal'
import { liesBarred } from './told'
import { atLeastLooked } from '../../testing/looked'

const grade = fc.integer({ min: 0, max: 4 }) as fc.Arbitrary<Grade>
const mild = fc.constantFrom<Grade>(0, 1)
const skin = fc.record({
  oil: grade,
  water: grade,
  congestion: grade,
  redness: mild,
  sensitivity: mild,
})
const inputOf = (read: Parameters<typeof readAll>[0], more: Answers) =>
  planInput({ readings: readAll(read), answers: allNo(more), slotMinutes: 60 })

/** A plan worked from its start until each thing that rests was laid in turn. */
function laidOneByOne(read: Parameters<typeof readAll>[0]) {
  const { steps } = propose(inputOf(read, {}))
  return steps.flatMap((step, index) => {
    if (TECHNIQUES[step.technique].dwell === undefined) return []
    const list = steps.slice(0, index + 1).map((own, minute): TapAt => [minute + 1, done(own)])
    return [{ steps, step, list }]
  })
}

describe('what lies on the skin when something is told against it', () => {
  it('is named wherever the check of the whole plan would bar it, and nothing is named before', () => {
    let named = 0
    fc.assert(
      fc.property(skin, fc.constantFrom(...FINDING_ORDER), (read, finding) => {
        const told = inputOf(read, { [finding]: { say: 'yes' } })
        const off = told.verdict.prevented.length > 0
        for (const { steps, step, list } of laidOneByOne(read)) {
          const state = roomOf(steps, list)
          if (!state.resting.some(({ key, endedAt }) => key === step.key && endedAt === undefined))
            continue
          expect(liesBarred(state, steps, inputOf(read, {}))).toEqual([])
          const findings = checkPlan(told, steps).findings
          const barred = findings.some(({ rule, key }) => rule === 'barred' && key === step.key)
          if (!off && !barred) continue
          named++
          const lies = liesBarred(state, steps, told).map(({ key }) => key)
          expect(lies, step.technique).toContain(step.key)
        }
      }),
      { numRuns: 60 },
    )
    expect(named).toBeGreaterThanOrEqual(atLeastLooked(1))
  })

  it('comes off before anything else is done, from whatever the hands were at, and is kept why', () => {
    fc.assert(
      fc.property(skin, (read) => {
        for (const { steps, step, list } of laidOneByOne(read)) {
          const before = roomOf(steps, list)
          const lies = before.resting.some(
            ({ key, endedAt }) => key === step.key && endedAt === undefined,
          )
          if (!lies) continue
          const state = roomOf(steps, [
            ...list,
            [list.length + 1, { kind: 'offNow', key: step.key, because: 'fever told' }],
          ])
          const atHand = steps.find(({ key }) => key === state.current?.key)
          expect(atHand && takesOff(atHand.technique, step.technique), step.technique).toBe(true)
          expect(state.notes.at(-1)?.text).toContain('fever told')
          const told = inputOf(read, { fever: { say: 'yes' } })
          expect(liesBarred(state, steps, told).map(({ key }) => key)).not.toContain(step.key)
        }
      }),
      { numRuns: 30 },
    )
  })

  it('is nothing where nothing of that key lies', () => {
    const read = { oil: 3, water: 2, congestion: 2, redness: 0, sensitivity: 0 } as const
    const [one] = laidOneByOne(read)
    if (!one) throw new Error('nothing rests in this plan')
    const none = roomOf(one.steps, [[1, { kind: 'offNow', key: one.step.key, because: 'x' }]])
    expect(none.notes).toEqual([])
    expect(none.current?.key).toBe(one.steps[0]?.key)
    // Nor is it where something else lies.
    const last = one.steps.at(-1)?.key ?? ''
    const other = roomOf(one.steps, [
      ...one.list,
      [one.list.length + 1, { kind: 'offNow', key: last, because: 'x' }],
    ])
    expect(other.resting.some(({ endedAt }) => endedAt === undefined)).toBe(true)
    expect(other.notes).toEqual([])
  })
})
