import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldLines, LINE_OCTETS } from './foldLines'

const aLine = fc
  .string({ unit: 'grapheme', maxLength: 300 })
  .map((text) => text.replace(/\s/g, '-'))

describe('lines of a calendar', () => {
  it('have at most 75 octets, and read back as they were', () => {
    fc.assert(
      fc.property(fc.array(aLine, { maxLength: 5 }), (lines) => {
        const text = lines.join('\r\n')
        const folded = foldLines(text)
        for (const line of folded.split('\r\n'))
          expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(LINE_OCTETS)
        expect(folded.replace(/\r\n /g, '')).toBe(text)
        expect(foldLines(folded)).toBe(folded)
      }),
    )
  })
  it('never cut a character', () => {
    const folded = foldLines(`SUMMARY:${'𝔄ß'.repeat(80)}`)
    expect(folded).not.toMatch(/[\ud800-\udbff]\r\n/)
    expect(new TextDecoder('utf-8', { fatal: true }).decode(new TextEncoder().encode(folded))).toBe(
      folded,
    )
  })
})
