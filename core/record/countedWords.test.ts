import { describe, expect, it } from 'vitest'
import { countedWords } from './countedWords'

describe('what was counted in a step, as it is read', () => {
  it('is nothing where nothing was counted', () => {
    expect(countedWords({})).toBe('')
    expect(countedWords({ pads: [] })).toBe('')
  })
  it('names each thing once, one and several told apart', () => {
    expect(countedWords({ pads: [2, 0], water: 1 })).toBe('pads 2, 0; water added 1 time')
    expect(countedWords({ technique: 'tip', setting: 12, passes: 1, dwellMinutes: 10 })).toMatch(
      /^\w[\w ]* 12 kPa; 1 pass; rested 10 min$/,
    )
    expect(countedWords({ technique: 'milk', setting: 3 })).toBe('')
    expect(countedWords({ water: 0, deviceLevel: 12 })).toBe('water added 0 times; device at 12')
  })
})
