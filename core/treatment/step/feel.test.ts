import { describe, expect, it } from 'vitest'
import type { FEELS } from '../../catalogue/rules/feel'
import { buildRecord } from '../../record/build'
import { countedWords } from '../../record/countedWords'
import { planInput } from '../../testing/fixtures'
import { done, roomOf } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { lastTimes, lastTimeWords } from '../../visit/lastTime'

describe('how the skin feels to the client', () => {
  const gel = usualStep('secondCleanse')
  const recordOf = (...feels: readonly (typeof FEELS)[number][]) => {
    const taps = feels.map(
      (feel, i) => [i + 1, { kind: 'felt', key: gel.key, feel } as const] as const,
    )
    const input = planInput()
    const plans = { firstPlan: [gel], lastPlan: [gel], done: [gel] }
    return buildRecord({
      state: roomOf([gel], [...taps, [9, done(gel)]]),
      ...plans,
      shelf: input.shelf,
      dose: input,
      lotOf: () => null,
      alongOf: () => [],
    })
  }
  it('stands on the record as it was said last, and is none where nobody asked', () => {
    expect(recordOf('tight', 'soft').lines[0]?.felt).toBe('soft')
    expect(recordOf().lines[0]?.felt).toBeUndefined()
    expect(countedWords(recordOf('dry').lines[0] ?? {})).toBe('felt dry')
  })
  it('reaches the next visit: what was tight or dry asks for a milder cleanse', () => {
    const words = (...feels: readonly (typeof FEELS)[number][]) =>
      lastTimes(recordOf(...feels))
        .map(lastTimeWords)
        .join()
    expect(words('tight')).toContain('felt tight: try a milder one')
    expect(words('dry')).toContain('try a milder one')
    expect(words('soft')).toContain('felt soft')
    expect(words('soft')).not.toContain('milder')
  })
})
