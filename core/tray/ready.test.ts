import { describe, expect, it } from 'vitest'
import { planInput } from '../testing/fixtures'
import { usualStep as step } from '../testing/steps'
import { choresOf, readiness, setFrom } from './ready'
import { trayFor, type Tray } from './tray'

const full = trayFor(planInput(), [step('settle'), step('milk'), step('moisturiser')])
const empty: Tray = { ...full, devices: [], products: [], linen: [], tools: [], missing: [] }
const all = () => true

describe('how far a tray is', () => {
  it('is ready once all is laid out, not one thing before', () => {
    const keys = choresOf(full).map(({ key }) => key)
    expect(keys.length).toBeGreaterThan(1)
    const plain = { ...full, missing: [] }
    expect(readiness(plain, all)).toEqual({ done: keys.length, all: keys.length, ready: true })
    for (const left of keys)
      expect(readiness(plain, (key) => key !== left)).toMatchObject({
        done: keys.length - 1,
        ready: false,
      })
  })
  it('is ready with a single thing on it, and never with none', () => {
    const single = { ...empty, linen: full.linen.slice(0, 1) }
    expect(choresOf(single)).toHaveLength(1)
    expect(readiness(single, all).ready).toBe(true)
    expect(readiness(empty, all).ready).toBe(false)
  })
  it('needs its first hand when the first device warms up, or to lay out', () => {
    expect(setFrom({ devices: [] }, 6)).toBe(-6)
    expect(setFrom({ devices: [{ switchOnMinute: -10 }, { switchOnMinute: 4 }] }, 6)).toBe(-10)
    expect(setFrom({ devices: [{ switchOnMinute: 4 }] }, 6)).toBe(-6)
  })
})
