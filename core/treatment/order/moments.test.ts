import { describe, expect, it } from 'vitest'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { momentsOf, placeOfMoment } from './moments'

const steps = [
  usualStep('milk', { key: 'milk', minutes: minutes(2) }),
  usualStep('mixHardening', { key: 'mix', minutes: minutes(1) }),
  usualStep('hardeningMask', { key: 'on', minutes: minutes(3) }),
  usualStep('hardeningOff', { key: 'off', minutes: minutes(3) }),
]

describe('the moments of a plan', () => {
  it('a tick is part of the main step that it leads up to, and its minutes with it', () => {
    const moments = momentsOf(steps)
    expect(moments.map(({ main }) => main.key)).toEqual(['milk', 'on', 'off'])
    expect(moments.map(({ minutes: own }) => own)).toEqual([2, 4, 3])
    expect(moments[1]?.ticks.map(({ key }) => key)).toEqual(['mix'])
    expect(moments.reduce((sum, one) => sum + one.minutes, 0)).toBe(9)
  })
  it('every step has its place among them, and what is in none has none', () => {
    const moments = momentsOf(steps)
    expect(steps.map(({ key }) => placeOfMoment(moments, key))).toEqual([0, 1, 1, 2])
    expect(placeOfMoment(moments, 'none')).toBe(-1)
    expect(placeOfMoment(moments, undefined)).toBe(-1)
  })
})
