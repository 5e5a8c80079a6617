import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { medicinesAfter } from './medicines'

describe('medicines told while the file is open elsewhere', () => {
  it('count as told where nobody else wrote', () => {
    expect(medicinesAfter('aspirin', 'aspirin', 'aspirin, iron')).toBe('aspirin, iron')
    expect(medicinesAfter('aspirin', 'aspirin', '')).toBe('')
    expect(medicinesAfter('aspirin', undefined, 'iron')).toBe('iron')
  })
  it('leave the file as it is where Ask did not touch them', () => {
    expect(medicinesAfter('aspirin, iron', 'aspirin', 'aspirin')).toBe('aspirin, iron')
  })
  it('never lose a word that either wrote', () => {
    const words = fc.string({ minLength: 1, maxLength: 12 }).filter((text) => text.trim() !== '')
    fc.assert(
      fc.property(words, words, words, (onFile, seen, told) => {
        fc.pre(seen !== onFile && seen !== told)
        const after = medicinesAfter(onFile, seen, told)
        expect(after).toContain(onFile.trim())
        expect(after).toContain(told.trim())
      }),
    )
  })
})
