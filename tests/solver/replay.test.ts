import { describe, expect, it } from 'vitest'
import { propose } from '#core/planning/answer/propose'
import { question } from './cases'
import { replay, type Room } from './replay'
import { minutes } from '#core/units'

const CASES = process.env.OAK_FULL ? 600 : 150
const roomOf = (seed: number): Room => {
  const { input } = question(seed)
  return {
    madeUp: input.makeUp.length > 0,
    daylight: input.daylight,
    slotMinutes: input.slotMinutes,
    profile: input.profile,
    tolerancePercent: input.verdict.limit.tolerancePercent,
    residual: input.residual,
    bars: input.verdict.bars,
    products: new Map(input.shelf.map((item) => [item.product.id, item.product])),
  }
}

describe('a plan walked again without the planner', () => {
  it(`stands, in ${CASES} seeded cases`, () => {
    let planned = 0
    for (let seed = 1; seed <= CASES; seed++) {
      const { steps, failed } = propose(question(seed).input)
      if (failed) continue
      planned++
      expect(replay(steps, roomOf(seed)), `seed ${seed}`).toEqual([])
    }
    expect(planned).toBeGreaterThan(CASES * 0.8)
  })
  it('falls when a step is taken out of its place, made longer, or forgotten', () => {
    const seed =
      [...Array(40).keys()]
        .map((i) => i + 1)
        .find((seed) =>
          propose(question(seed).input).steps.some((x) => x.technique === 'maskOff'),
        ) ?? 1
    const { steps } = propose(question(seed).input)
    const room = roomOf(seed)
    expect(
      replay(
        steps.filter((step) => step.technique !== 'maskOff'),
        room,
      ),
    ).not.toEqual([])
    expect(
      replay(
        steps.map((step) =>
          step.technique === 'moisturiser' ? { ...step, minutes: minutes(95) } : step,
        ),
        room,
      ).join(),
    ).toContain('slot')
    expect(
      replay(
        steps.filter((step) => step.technique !== 'milk'),
        room,
      ).length,
    ).toBeGreaterThan(0)
    expect(replay([...steps].reverse(), room).length).toBeGreaterThan(3)
  })
})
