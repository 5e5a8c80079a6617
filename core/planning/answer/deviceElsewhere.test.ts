import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEVICE_KINDS, DEVICE_NAMES, type DeviceKind } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { checkPlan } from '../checks/check'
import type { DeviceInUse } from '../input'
import { leftOut } from './leftOut'
import { propose } from './propose'

const words = 'in use in the Stove room from 10:20 to 10:35'
const use = (kind: DeviceKind, from: number, to: number): DeviceInUse => ({
  ...{ kind, name: DEVICE_NAMES[kind] },
  ...{ from, to, words },
})
const input = planInput({ slotMinutes: 90, aims: ['congestion', 'shine'] })

/** Minute by minute: what each step holds in hand. */
function heldBy(steps: readonly PlanStep[]): (DeviceKind | undefined)[] {
  return steps.flatMap(({ technique, minutes }) =>
    Array.from({ length: Math.ceil(minutes) }, () => TECHNIQUES[technique].device),
  )
}
const usesOf = (steps: readonly PlanStep[]) => [
  ...new Set(steps.flatMap(({ technique }) => TECHNIQUES[technique].device ?? [])),
]

describe('a device that another room uses', () => {
  const free = propose(input)
  const kinds = usesOf(free.steps)

  it('is in the plan while nobody else wants it', () => {
    expect(kinds.length).toBeGreaterThan(0)
  })
  it('is never in the hand in those minutes, and the plan is fit all the same', () => {
    const random = fc
      .record({
        kind: fc.constantFrom(...DEVICE_KINDS),
        from: fc.integer({ min: 0, max: 80 }),
        long: fc.integer({ min: 1, max: 30 }),
      })
      .map(({ kind, from, long }) => use(kind, from, from + long))
    fc.assert(
      fc.property(fc.array(random, { maxLength: 5 }), (inUse) => {
        const plan = propose({ ...input, inUse })
        expect(plan.failed).toBeUndefined()
        let clock = 0
        for (const { technique, minutes } of plan.steps) {
          for (const { kind, from, to } of inUse)
            if (TECHNIQUES[technique].device === kind)
              expect(from < clock + minutes && clock < to, `${technique} at ${clock}`).toBe(false)
          clock += minutes
        }
        const { findings } = checkPlan({ ...input, inUse }, plan.steps)
        expect(findings.filter(({ strength }) => strength === 'stop')).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
  it('away for the whole visit, it is as if the house had none', () => {
    for (const kind of kinds)
      expect(propose({ ...input, inUse: [use(kind, -10, 400)] }).steps, kind).toEqual(
        propose({ ...input, devices: input.devices.filter((own) => own !== kind) }).steps,
      )
  })
  it('used before or after it is wanted, changes nothing', () => {
    const held = heldBy(free.steps)
    for (const kind of kinds) {
      const first = held.indexOf(kind)
      const last = held.lastIndexOf(kind) + 1
      const inUse = [use(kind, -30, first - 1), use(kind, last + 1, 300)]
      expect(propose({ ...input, inUse }).steps, kind).toEqual(free.steps)
    }
  })
  it('is said at its step, with how much later this plan would have it; and it would', () => {
    for (const kind of kinds) {
      const inUse = [use(kind, -10, 200)]
      const [found] = checkPlan({ ...input, inUse }, free.steps).findings.filter(
        ({ rule }) => rule === 'device-taken',
      )
      expect(found?.text).toContain(words)
      expect(found?.locked).toBe(true)
      const later = Number(/begins (\d+) min later/.exec(found?.text ?? '')?.[1])
      const moved = (by: number) =>
        checkPlan({ ...input, inUse: [use(kind, -10 - by, 200 - by)] }, free.steps).findings.some(
          ({ rule }) => rule === 'device-taken',
        )
      expect(moved(later)).toBe(false)
      expect(moved(later - 1)).toBe(true)
    }
  })
  it('is named where what was left out is told, and where a pinned step cannot have it', () => {
    const kind = 'highFrequencyWand'
    const step = free.steps.find(({ technique }) => TECHNIQUES[technique].device === kind)
    if (!step) throw new Error('no step with the wand')
    const taken = { ...input, inUse: [use(kind, -10, 400)] }
    const left = leftOut(taken, propose(taken).steps)
    expect(left.find(({ technique }) => technique === step.technique)?.why.text).toContain(words)
    const pinned = propose({ ...taken, pins: [{ ...step, pinned: true }] })
    expect(pinned.failed?.text).toContain(words)
  })
})
