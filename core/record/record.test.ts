import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { canonical, type Json } from './canonical'
import { commit, GENESIS, seal, verify, type Seal } from './seal'

const json = fc.letrec<{ v: Json }>((tie) => ({
  v: fc.oneof(
    { maxDepth: 3 },
    fc.constant(null),
    fc.boolean(),
    fc.integer(),
    fc.string(),
    fc.array(tie('v'), { maxLength: 4 }),
    fc.dictionary(fc.string(), tie('v'), { maxKeys: 4, noNullPrototype: true }),
  ) as fc.Arbitrary<Json>,
})).v
const hex = (c: string) => c.repeat(64)
const parts = fc.array(fc.record({ name: fc.string({ minLength: 1 }), content: json }), {
  minLength: 1,
  maxLength: 5,
})
const sealed = (p: { name: string; content: Json }[], prev = GENESIS) =>
  seal(
    p,
    p.map((_, i) => hex(String(i % 10))),
    prev,
  )

describe('canonical', () => {
  it('spells one value one way and loses nothing', () => {
    fc.assert(
      fc.property(json, (v) => {
        expect(JSON.parse(canonical(v))).toEqual(JSON.parse(JSON.stringify(v)))
        expect(canonical(JSON.parse(JSON.stringify(v)) as Json)).toBe(canonical(v))
      }),
    )
    expect(canonical({ b: 1, a: [true, null], c: undefined })).toBe('{"a":[true,null],"b":1}')
  })
  it('refuses a number without end', () => {
    expect(() => canonical(Number.POSITIVE_INFINITY)).toThrow(RangeError)
  })
})

describe('seal', () => {
  it('stands as it was made', () => {
    fc.assert(
      fc.property(parts, (p) => {
        expect(verify(sealed(p))).toEqual({ ok: true, erased: [] })
      }),
    )
  })
  it('shows any change of a part, a name, an order or the chain before it', () => {
    fc.assert(
      fc.property(parts, fc.nat(), json, (p, pick, other) => {
        const s = sealed(p)
        const i = pick % s.items.length
        const item = s.items[i]
        if (!item) return
        const swap = (change: Partial<typeof item>): Seal => ({
          ...s,
          items: s.items.map((x, j) => (j === i ? { ...x, ...change } : x)),
        })
        if (canonical(other) !== canonical(item.content))
          expect(verify(swap({ content: other })).ok).toBe(false)
        expect(verify(swap({ name: `${item.name}!` })).ok).toBe(false)
        expect(verify(swap({ commitment: hex('f') })).ok).toBe(false)
        expect(verify({ ...s, prev: hex('a') }).ok).toBe(false)
        expect(verify({ ...s, items: s.items.slice(1) }).ok).toBe(false)
      }),
    )
  })
  it('stands after erasure, and says what is gone', () => {
    fc.assert(
      fc.property(parts, fc.nat(), (p, pick) => {
        const s = sealed(p)
        const i = pick % s.items.length
        const erased = {
          ...s,
          items: s.items.map((x, j) => (j === i ? { ...x, content: null, salt: null } : x)),
        }
        expect(verify(erased)).toEqual({ ok: true, erased: [s.items[i]?.name] })
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
