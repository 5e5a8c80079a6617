import { describe, expect, it } from 'vitest'
import { deviceSays } from './onTheLine'

const dial = { unit: 'kPa', most: 15 }
const said = { unit: 'kPa', level: 12, running: true, ready: true }

describe('what a device says of itself', () => {
  it('is taken as it is where nothing is wrong', () => {
    expect(deviceSays(said, dial)).toEqual({ ...said, fault: null })
    expect(deviceSays(said, dial, 12).fault).toBeNull()
    // Without a dial there is no unit to be held against.
    expect(deviceSays({ ...said, unit: 'W' }, undefined).fault).toBeNull()
  })
  it('says nothing of the level in another unit, or without a number', () => {
    for (const other of [{ unit: 'mbar' }, { unit: 7 }, { level: 'high' }, { level: Number.NaN }]) {
      const heard = deviceSays({ ...said, ...other }, dial, 12)
      expect(heard.level).toBeUndefined()
      expect(heard.fault).not.toBeNull()
    }
    expect(deviceSays({ ...said, unit: 'mbar' }, dial).fault).toContain('mbar, not in kPa')
    expect(deviceSays({ ...said, unit: 7 }, dial).fault).toContain('no unit')
  })
  it('names a level over the cap before anything else; the cap itself is allowed', () => {
    expect(deviceSays({ ...said, level: 15 }, dial).fault).toBeNull()
    const over = deviceSays({ ...said, level: 15.5, ready: false }, dial, 12)
    expect(over.fault).toContain('15 is the most today')
    expect(over.level).toBe(15.5)
  })
  it('tells not ready, and another level than it was given', () => {
    expect(deviceSays({ ...said, ready: false }, dial).fault).toContain('not ready')
    expect(deviceSays({ ...said, ready: 'yes' }, dial).ready).toBe(false)
    expect(deviceSays(said, dial, 10).fault).toContain('set to 10 kPa and is at 12')
    expect(deviceSays({ ...said, running: 1 }, dial).running).toBe(false)
  })
})
