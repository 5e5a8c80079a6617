import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { canonical } from './canonical'
import { commit, GENESIS, seal, verify, type Seal } from './seal'

const json = fc.letrec((tie) => ({
  v: fc.oneof(
    { maxDepth: 3 },
    fc.constant(null),
    fc.boolean(),
    fc.integer(),
    fc.string(),
    fc.array(tie('v'), { maxLength: 4 }),
    fc.dictionary(fc.string(), tie('v'), { maxKeys: 4, noNullPrototype: true }),
  ),
})).v
const hex = (digit: string) => digit.repeat(64)
const parts = fc.array(fc.record({ name: fc.string({ minLength: 1 }), content: json }), {
  minLength: 1,
  maxLength: 5,
})
const sealed = (parts: { name: string; content: unknown }[], prev = GENESIS) =>
  seal(
    parts,
    parts.map((_, i) => hex(String(i % 10))),
    prev,
  )

describe('canonical', () => {
  it('spells one value one way and loses nothing', () => {
    fc.assert(
      fc.property(json, (json) => {
        expect(JSON.parse(canonical(json))).toEqual(JSON.parse(JSON.stringify(json)))
        expect(canonical(JSON.parse(JSON.stringify(json)))).toBe(canonical(json))
      }),
    )
    expect(canonical({ b: 1, a: [true, null], c: undefined })).toBe('{"a":[true,null],"b":1}')
  })
  it('refuses a number without end', () => {
    expect(() => canonical(Number.POSITIVE_INFINITY)).toThrow(RangeError)
    for (const odd of [new Date(), () => 1, new Map([[1, 2]]), 1n, Symbol('a')])
      expect(() => canonical({ odd })).toThrow(TypeError)
  })
})

describe('seal', () => {
  it('stands as it was made', () => {
    fc.assert(
      fc.property(parts, (someParts) => {
        expect(verify(sealed(someParts))).toEqual({ ok: true, erased: [] })
      }),
    )
  })
  it('shows any change of a part, a name, an order or the chain before it', () => {
    fc.assert(
      fc.property(parts, fc.nat(), json, (someParts, pick, other) => {
        const seal = sealed(someParts)
        const i = pick % seal.items.length
        const item = seal.items[i]
        if (!item) return
        const swap = (change: Partial<typeof item>): Seal => ({
          ...seal,
          items: seal.items.map((sealedItem, j) =>
            j === i ? { ...sealedItem, ...change } : sealedItem,
          ),
        })
        if (canonical(other) !== canonical(item.content))
          expect(verify(swap({ content: other })).ok).toBe(false)
        expect(verify(swap({ name: `${item.name}!` })).ok).toBe(false)
        expect(verify(swap({ commitment: hex('f') })).ok).toBe(false)
        expect(verify({ ...seal, prev: hex('a') }).ok).toBe(false)
        expect(verify({ ...seal, items: seal.items.slice(1) }).ok).toBe(false)
      }),
    )
  })
  it('stands after erasure, and says what is gone', () => {
    fc.assert(
      fc.property(parts, fc.nat(), (someParts, pick) => {
        const seal = sealed(someParts)
        const i = pick % seal.items.length
        const erased = {
          ...seal,
          items: seal.items.map((sealedItem, j) =>
            j === i ? { ...sealedItem, content: null, salt: null } : sealedItem,
          ),
        }
        expect(verify(erased)).toEqual({ ok: true, erased: [seal.items[i]?.name] })
      }),
    )
  })
  it('hides a short content behind its salt', () => {
    expect(commit('a', 1, hex('1'))).not.toBe(commit('a', 1, hex('2')))
    expect(() => seal([{ name: 'a', content: 1 }], ['abc'], GENESIS)).toThrow(RangeError)
    expect(() => seal([{ name: 'a', content: 1 }], [], GENESIS)).toThrow(RangeError)
  })
  it('stands on the seal before it', () => {
    const first = sealed([{ name: 'a', content: 1 }])
    const second = sealed([{ name: 'a', content: 1 }], first.head)
    expect(second.head).not.toBe(first.head)
    expect(second.prev).toBe(first.head)
  })
})
