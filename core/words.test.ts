import { describe, expect, it } from 'vitest'
import { howMany, nounOf } from './words'

describe('a count with its noun', () => {
  it('is one or several by the rule of the language, with its thousands apart', () => {
    expect(howMany(0, 'visit')).toBe('0 visits')
    expect(howMany(1, 'visit')).toBe('1 visit')
    expect(howMany(2, 'person')).toBe('2 people')
    expect(howMany(1200, 'client')).toBe('1,200 clients')
    expect(howMany(1, 'question is')).toBe('1 question is')
    expect(nounOf(3, 'try')).toBe('tries')
  })
})
