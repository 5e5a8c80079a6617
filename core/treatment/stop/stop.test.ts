import { usualStep } from '../../testing/steps'
import { roomOf } from '../../testing/room'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import type { Grade } from '../../skin/readings'
import type { EventBody } from '../taps/events'
import { judge, type ZoneNow } from './stop'

/** A zone read bare with this redness, with this lying on it. */
const zone = (baseline: Grade, ...lying: TechniqueId[]): ZoneNow => ({
  baseline,
  readBare: true,
  lying,
})

describe('stop rules', () => {
  const red = (grade: 0 | 1 | 2 | 3 | 4, region: 'cheekL' | 'nose'): EventBody => ({
    kind: 'redness',
    region,
    grade,
    key: 'grain-1',
  })
  it("holds redness against the zone's own baseline", () => {
    expect(judge(red(2, 'cheekL'), zone(1, 'grain'))?.act).toBe('endZone')
    expect(judge(red(2, 'cheekL'), zone(1, 'massage'))?.act).toBe('keep')
    expect(judge(red(2, 'nose'), zone(0, 'massage'))?.act).toBe('stop')
    expect(judge(red(3, 'cheekL'), zone(2, 'massage'))?.act).toBe('stop')
    expect(judge(red(1, 'cheekL'), zone(1, 'grain'))?.act).toBe('keep')
  })
  it('stops on burning whatever the redness, and calls help for breathing and swelling', () => {
    expect(judge({ kind: 'sensation', grade: 7, region: null, key: null }, zone(0))?.act).toBe(
      'stop',
    )
    expect(judge({ kind: 'sensation', grade: 4, region: null, key: null }, zone(0))?.act).toBe(
      'shorten',
    )
    expect(judge({ kind: 'sensation', grade: 3, region: null, key: null }, zone(0))?.act).toBe(
      'keep',
    )
    expect(
      judge({ kind: 'sign', sign: 'breathing', region: null, key: null }, zone(0)),
    ).toMatchObject({ act: 'stop', callHelp: true })
    expect(judge({ kind: 'sign', sign: 'blood', region: null, key: null }, zone(0))).toMatchObject({
      act: 'stop',
      callHelp: false,
    })
  })
  it('calls help for what cannot wait, and for nothing that is only red or sore', () => {
    for (const grade of [0, 1, 2, 3, 4] as const)
      expect(judge(red(grade, 'cheekL'), zone(0, 'grain'))?.callHelp).toBe(false)
    for (const grade of [0, 5, 8, 10])
      expect(
        judge({ kind: 'sensation', grade, region: null, key: null }, zone(0, 'grain'))?.callHelp,
      ).toBe(false)
  })
  it('never gets milder as redness or sensation grows', () => {
    const order = { keep: 0, shorten: 1, endZone: 1, stop: 2 }
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9 }),
        fc.constantFrom<0 | 1 | 2 | 3>(0, 1, 2, 3),
        (sensation, from) => {
          const sens = (grade: number) =>
            order[
              judge({ kind: 'sensation', grade, region: null, key: null }, zone(0, 'grain'))?.act ??
                'keep'
            ]
          expect(sens(sensation + 1)).toBeGreaterThanOrEqual(sens(sensation))
          const redness = (grade: number) =>
            order[judge(red(grade as 0, 'cheekL'), zone(1, 'grain'))?.act ?? 'keep']
          expect(redness(from + 1)).toBeGreaterThanOrEqual(redness(from))
        },
      ),
    )
  })
  it('looks at everything that lies there, and says why it goes on', () => {
    expect(judge(red(1, 'nose'), zone(0, 'handsArms', 'enzyme'))?.act).toBe('endZone')
    expect(judge(red(1, 'nose'), zone(0, 'handsArms'))?.act).toBe('keep')
    const words = [
      judge(red(1, 'nose'), zone(1))?.text,
      judge(red(1, 'nose'), zone(0))?.text,
      judge(red(1, 'nose'), { ...zone(0), readBare: false })?.text,
      judge({ kind: 'sensation', grade: 2, region: 'nose', key: null }, zone(0, 'enzyme'))?.text,
      judge({ kind: 'sensation', grade: 2, region: 'nose', key: null }, zone(0, 'creamMask'))?.text,
    ]
    expect(new Set(words).size).toBe(words.length)
    expect(words[2]).toContain('read it bare')
  })
  it('once stopped, a sign that asks for help calls for it, and nothing takes that back', () => {
    const scrub = usualStep('grain')
    const sign = (own: 'heat' | 'swelling'): EventBody => ({
      kind: 'sign',
      sign: own,
      region: null,
      key: null,
    })
    const stopped = (...signs: readonly ('heat' | 'swelling')[]) =>
      roomOf(
        [scrub],
        signs.map((own, i) => [i + 1, sign(own)] as const),
      ).stopped?.callHelp
    expect(stopped('heat')).toBe(false)
    expect(stopped('heat', 'swelling')).toBe(true)
    expect(stopped('swelling', 'heat')).toBe(true)
  })
})
