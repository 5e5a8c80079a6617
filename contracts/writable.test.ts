import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { unwritableAt } from './writable'

describe('what no table can keep', () => {
  it.each([
    ['a NUL in a text', { name: 'a\u0000b' }, 'name'],
    ['a NUL far down', { zones: [{ note: 'fine' }, { note: '\u0000' }] }, 'zones.1.note'],
    ['half a character at the end', { name: 'a\uD83D' }, 'name'],
    ['half a character at the start', { name: '\uDE00a' }, 'name'],
    ['a NUL in a name of a field', { answers: { 'a\u0000': 1 } }, 'answers'],
    ['a bare text', 'a\u0000', 'body'],
  ])('finds %s', (_, input, field) => {
    expect(unwritableAt(input)?.field).toBe(field)
  })
  it('lets whole characters through, in any script', () => {
    expect(unwritableAt({ name: '😀 שלום 你好 \u202E', list: [1, null, true] })).toBeUndefined()
  })
  it('refuses nesting that nobody asked for, without falling over it', () => {
    let deep: unknown = 'x'
    for (let level = 0; level < 5000; level++) deep = { deep }
    expect(unwritableAt(deep)?.given).toBe('deeper nesting')
  })
  it('finds a NUL wherever it is put', () => {
    const holder = fc.object({
      maxDepth: 4,
      values: [fc.string({ unit: 'grapheme' }), fc.integer()],
    })
    fc.assert(
      fc.property(holder, (input) => {
        expect(unwritableAt({ ...input, last: 'a\u0000' })).toBeDefined()
      }),
    )
  })
})
