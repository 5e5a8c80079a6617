import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { amended, amendmentHolds, AMENDMENTS_BEGIN, type AmendmentLink } from './amendment'
import { digest, digestByLibrary, GENESIS, seal } from './seal'
import { heldAgainst, readHead, signHead } from './signedHead'
import { sealedPart, walkAmendments, walkSeals, WALK_BEGINS, type SealRow } from './walk'

const SALT = 'a'.repeat(32)
const when = (at: number) => new Date(Date.UTC(2026, 0, 1 + at))

/** A chain of so many seals, each with a word and with who sealed it and when. */
function chainOf(words: readonly string[]): SealRow[] {
  const rows: SealRow[] = []
  for (const [at, word] of words.entries()) {
    const own = { number: at + 1, by: `person ${at % 3}`, at: when(at) }
    const made = seal(
      [{ name: 'notes', content: word }, sealedPart(own)],
      [SALT, SALT],
      rows.at(-1)?.head ?? GENESIS,
    )
    rows.push({ ...made, ...own })
  }
  return rows
}
function amendmentsOf(words: readonly string[]): AmendmentLink[] {
  const rows: AmendmentLink[] = []
  for (const [at, after] of words.entries())
    rows.push(
      amended(
        {
          ...{ id: `id ${at}`, seal: 'f'.repeat(64), before: 'as it was', after },
          ...{ reason: 'a slip', by: 'person', at: when(at).toISOString() },
        },
        SALT,
        rows.at(-1),
      ),
    )
  return rows
}
const words = fc.array(fc.string({ maxLength: 12 }), { minLength: 1, maxLength: 8 })
const aPlace = fc.nat({ max: 7 })

describe('the chain of seals', () => {
  it('stands as it was made, walked at once or in stretches', () => {
    fc.assert(
      fc.property(words, aPlace, (said, cut) => {
        const rows = chainOf(said)
        const whole = walkSeals(WALK_BEGINS, rows)
        expect(whole).toMatchObject({ walked: rows.length, broken: null })
        expect(walkSeals(walkSeals(WALK_BEGINS, rows.slice(0, cut)), rows.slice(cut))).toEqual(
          whole,
        )
      }),
    )
  })
  it('breaks where another person, another moment or another number is put beside a seal', () => {
    fc.assert(
      fc.property(words, aPlace, fc.nat({ max: 2 }), (said, place, which) => {
        const rows = chainOf(said)
        const at = place % rows.length
        const row = rows[at]
        if (!row) return
        const other = [{ by: 'somebody else' }, { at: when(400) }, { number: row.number + 1 }]
        rows[at] = { ...row, ...other[which] }
        expect(walkSeals(WALK_BEGINS, rows).broken).toBe(rows[at]?.number)
      }),
    )
  })
  it('breaks where one is taken out of it', () => {
    fc.assert(
      fc.property(words, aPlace, (said, place) => {
        const rows = chainOf([...said, 'one', 'two'])
        rows.splice(place % (rows.length - 1), 1)
        expect(walkSeals(WALK_BEGINS, rows).broken).not.toBeNull()
      }),
    )
  })
})

describe('an amendment', () => {
  it('stands on the number and the head it was made on, and on no other', () => {
    const [, second] = amendmentsOf(['one', 'two'])
    if (!second) throw new Error('no second')
    expect(amendmentHolds(second, second.prev, second.number)).toBe(true)
    expect(amendmentHolds(second, second.prev, second.number + 1)).toBe(false)
    expect(amendmentHolds(second, AMENDMENTS_BEGIN, second.number)).toBe(false)
  })
})

describe('the chain of amendments', () => {
  it('stands; breaks where a word, a reason or a person is another, or one is taken out', () => {
    fc.assert(
      fc.property(words, aPlace, fc.nat({ max: 3 }), (said, place, which) => {
        const rows = amendmentsOf([...said, 'last'])
        expect(walkAmendments(rows)).toMatchObject({ walked: rows.length, broken: null })
        const at = place % (rows.length - 1)
        const row = rows[at]
        if (!row?.said) return
        const other = [{ after: `${row.said.after}!` }, { reason: 'other' }, { by: 'other' }]
        if (which === 3) rows.splice(at, 1)
        else rows[at] = { ...row, said: { ...row.said, ...other[which] } }
        expect(walkAmendments(rows).broken).not.toBeNull()
      }),
    )
  })
  it('stands where the words were erased with their salt, not where they went alone', () => {
    const rows = amendmentsOf(['one', 'two'])
    const [first, second] = rows
    if (!first || !second) throw new Error('two were made')
    expect(walkAmendments([{ ...first, said: null, salt: null }, second]).broken).toBeNull()
    expect(walkAmendments([{ ...first, said: null }, second]).broken).toBe(1)
  })
})

describe('a head that was signed and kept apart', () => {
  const KEY = 'a secret of the house'
  const headOf = (rows: readonly SealRow[], more: readonly AmendmentLink[]) => ({
    at: '2026-05-01T10:00:00.000Z',
    seals: rows.length,
    head: rows.at(-1)?.head ?? GENESIS,
    amendments: more.length,
    amendmentsHead: more.at(-1)?.head ?? AMENDMENTS_BEGIN,
  })
  const standing = (
    kept: ReturnType<typeof headOf>,
    rows: readonly SealRow[],
    more: readonly AmendmentLink[],
  ) => ({
    seals: rows.length,
    head: kept.seals === 0 ? GENESIS : rows[kept.seals - 1]?.head,
    amendments: more.length,
    amendmentsHead: kept.amendments === 0 ? AMENDMENTS_BEGIN : more[kept.amendments - 1]?.head,
  })
  it('reads back as it was signed, and not at all with one letter or another key', () => {
    const line = signHead(headOf(chainOf(['one', 'two']), []), KEY)
    expect(readHead(line, KEY)).toMatchObject({ seals: 2 })
    expect(readHead(line, 'another')).toBeUndefined()
    fc.assert(
      fc.property(fc.nat({ max: line.length - 1 }), (at) => {
        const bent = `${line.slice(0, at)}${line[at] === '7' ? '8' : '7'}${line.slice(at + 1)}`
        expect(readHead(bent, KEY)).toBeUndefined()
      }),
    )
  })
  it('holds however much is added, and shows an end that was cut off', () => {
    fc.assert(
      fc.property(words, words, aPlace, (said, later, cut) => {
        const rows = chainOf([...said, ...later])
        const more = amendmentsOf([...said, ...later])
        const kept = headOf(rows.slice(0, said.length), more.slice(0, said.length))
        expect(heldAgainst(kept, standing(kept, rows, more)).holds).toBe(true)
        const left = Math.min(cut, said.length - 1)
        expect(heldAgainst(kept, standing(kept, rows.slice(0, left), more)).holds).toBe(false)
        expect(heldAgainst(kept, standing(kept, rows, more.slice(0, left))).holds).toBe(false)
      }),
    )
  })
})

describe('the hash', () => {
  it('is the same by the platform and by the library, on any text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        expect(digest(text)).toBe(digestByLibrary(text))
      }),
    )
    // FIPS 180-4, example of one block.
    expect(digest('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad')
  })
})
