import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TOOL_IDS } from '../catalogue/techniques/tools'
import { toMilliseconds } from '../units'
import { CLEANING_STEPS, isHeld, possible, standingOf, type ToolLife } from './tools'

const at = (minute: number) => toMilliseconds(minute)
const life = fc.record<ToolLife>({
  tool: fc.constantFrom(...TOOL_IDS),
  pieces: fc.integer({ min: 1, max: 4 }),
  contactMinutes: fc.integer({ min: 1, max: 15 }),
  uses: fc.array(fc.integer({ min: 0, max: 300 }).map(at), { maxLength: 8 }),
  cleanings: fc.array(
    fc.record({
      step: fc.constantFrom(...CLEANING_STEPS),
      pieces: fc.integer({ min: 1, max: 4 }),
      at: fc.integer({ min: 0, max: 300 }).map(at),
    }),
    { maxLength: 16 },
  ),
})
const one = (more: Partial<ToolLife>): ToolLife => ({
  ...{ tool: 'diamondTip', pieces: 1, contactMinutes: 10, uses: [at(0)], cleanings: [] },
  ...more,
})
const done = (step: (typeof CLEANING_STEPS)[number], minute: number) => ({
  step,
  pieces: 1,
  at: at(minute),
})

describe('a tool between two clients', () => {
  it('no piece is lost and none is made: wherever they are, they are all there', () => {
    fc.assert(
      fc.property(life, (own) => {
        const { clean, used, washed, soaking } = standingOf(own)
        const counts = [clean, used, washed, ...soaking.map(({ pieces }) => pieces)]
        expect(Math.min(...counts)).toBeGreaterThanOrEqual(0)
        expect(counts.reduce((sum, count) => sum + count, 0)).toBe(own.pieces)
      }),
    )
  })
  it('a used piece is clean again only washed first, then wet for its whole time, then out', () => {
    fc.assert(
      fc.property(life, (own) => {
        const single = { ...own, pieces: 1, uses: own.uses.slice(0, 1) }
        const [used] = single.uses
        if (used === undefined || isHeld(standingOf(single))) return
        const after = single.cleanings.filter((deed) => deed.at >= used)
        const wet = at(single.contactMinutes)
        const whole = after.some(
          (out) =>
            out.step === 'ready' &&
            after.some(
              (into) =>
                into.step === 'soaking' &&
                into.at + wet <= out.at &&
                after.some((first) => first.step === 'washed' && first.at <= into.at),
            ),
        )
        expect(whole).toBe(true)
      }),
    )
  })
  it('the same deeds told in another order are the same deeds', () => {
    fc.assert(
      fc.property(life, (own) => {
        const apart = new Set([...own.uses, ...own.cleanings.map((deed) => deed.at)])
        if (apart.size < own.uses.length + own.cleanings.length) return
        const turned = {
          ...own,
          uses: [...own.uses].reverse(),
          cleanings: [...own.cleanings].reverse(),
        }
        expect(standingOf(turned)).toEqual(standingOf(own))
      }),
    )
  })
  it('the usual way: used, washed, ten minutes wet, out', () => {
    const steps = [done('washed', 2), done('soaking', 3), done('ready', 13)]
    expect(isHeld(standingOf(one({})))).toBe(true)
    expect(isHeld(standingOf(one({ cleanings: steps.slice(0, 2) })))).toBe(true)
    expect(isHeld(standingOf(one({ cleanings: steps })))).toBe(false)
  })
  it.each([
    ['a minute too early', [done('washed', 2), done('soaking', 3), done('ready', 12)]],
    ['never washed', [done('soaking', 3), done('ready', 20)]],
    ['only washed', [done('washed', 2), done('ready', 20)]],
    ['cleaned before it was used', [done('washed', -20), done('soaking', -19), done('ready', -5)]],
  ])('%s is not clean', (_, cleanings) => {
    expect(isHeld(standingOf(one({ cleanings })))).toBe(true)
  })
  it('the second of two pieces serves while the first is in the bath', () => {
    const two = standingOf(one({ pieces: 2, cleanings: [done('washed', 2), done('soaking', 3)] }))
    expect(two).toMatchObject({ clean: 1, used: 0, washed: 0 })
    expect(two.soaking).toEqual([{ pieces: 1, until: at(13) }])
    expect(possible(two, 'ready', at(12))).toBe(0)
    expect(possible(two, 'ready', at(13))).toBe(1)
  })
})
