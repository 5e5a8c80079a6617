import type { PlanStep } from '../../catalogue/techniques/step'
import { usualStep } from '../../testing/steps'
import { fold } from './fold'
import { contextOf, STARTED, taps } from '../../testing/room'
import { describe, expect, it } from 'vitest'
import { BEGUN_AFTER_MINUTES } from '../../catalogue/rules/room'
import { toMilliseconds } from '../../units'
import { hasBegun, isUnderWay } from './begun'

type Room = Parameters<typeof hasBegun>[0]
const NOTHING: Room = {
  passes: {},
  sides: {},
  deviceSaid: {},
  reactions: [],
  counts: {},
  pads: {},
  calm: {},
  taken: {},
}
const one = (more: Partial<Room>): Room => ({ ...NOTHING, ...more })
const reacted = (key: string) =>
  ({ reactions: [{ at: 0, body: { kind: 'redness', region: 'chin', grade: 1, key } }] }) as never

/** Each tap that is made with the step's work on the skin, and nothing else beside it. */
const TAPPED: readonly [string, Room][] = [
  ['a pass', one({ passes: { own: { chin: 1 } } })],
  ['a side', one({ sides: { own: [{ at: 0, side: 'L' }] as never } })],
  ['a level that the device said', one({ deviceSaid: { own: [{ level: 3 }] as never } })],
  ['a reaction to it', one(reacted('own'))],
  ['something counted', one({ counts: { own: 1 } })],
  ['a pad', one({ pads: { own: [2] as never } })],
  ['a level that the skin bore', one({ calm: { own: [4] as never } })],
  ['an amount', one({ taken: { own: { lotId: 'l', millilitres: 1 } as never } })],
]

describe('what has begun', () => {
  it.each(TAPPED)('is begun by %s alone, and only that step', (_, room) => {
    expect(hasBegun(room, 'own')).toBe(true)
    expect(hasBegun(room, 'other')).toBe(false)
  })
  it('is not begun by nothing, by a count of none, by hands that rest, by a level of none', () => {
    const none = one({
      passes: { own: { chin: 0 } },
      sides: { own: [{ at: 0, side: null }] as never },
      deviceSaid: { own: [{ level: 0 }, { level: null }] as never },
      counts: { own: 0 },
      pads: { own: [] },
    })
    expect(hasBegun(none, 'own')).toBe(false)
    expect(hasBegun(NOTHING, 'own')).toBe(false)
  })
  it('is under way from its minute at hand on, and by a tap at once', () => {
    const whole = toMilliseconds(BEGUN_AFTER_MINUTES)
    expect(isUnderWay(NOTHING, 'own', whole)).toBe(true)
    expect(isUnderWay(NOTHING, 'own', whole - 1)).toBe(false)
    expect(isUnderWay(one({ counts: { own: 1 } }), 'own', 0)).toBe(true)
  })
  it('of a step that a new plan keeps goes on, and of one that it leaves out is broken off', () => {
    const [scrub, cream, other] = [usualStep('grain'), usualStep('moisturiser'), usualStep('serum')]
    const taps2 = taps(STARTED, [3, { kind: 'replanned', version: 2, reason: 'redder than read' }])
    const after = (second: readonly PlanStep[]) =>
      fold(taps2, contextOf([scrub, cream], { plans: { 1: [scrub, cream], 2: second } }))
    expect(after([scrub, other]).done).toEqual([])
    const left = after([other])
    expect(left.done.map(({ key, brokenOff }) => [key, brokenOff])).toEqual([
      [scrub.key, 'left out of the new plan'],
    ])
  })
})
