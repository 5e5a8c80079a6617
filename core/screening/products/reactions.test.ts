import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import { propose } from '../../planning/answer/propose'
import { productTrouble } from '../../planning/today/bottles'
import { visitBundle } from '../../testing/bundle'
import { planInput, product } from '../../testing/fixtures'
import { toPlanInput } from '../../visit/planInput'
import { alertsOf } from '../verdict/alerts'
import type { PatchTest } from './patch'
import { openReactions, REACTED_RULE, suspicion, type PastReaction } from './reactions'

const HOUR = 3_600_000
const AT = Date.parse('2026-03-03T10:00:00Z')
const scented = product('moisturiser', 'scented', { inci: ['Aqua', 'Parfum'] })
const plain = product('moisturiser', 'plain', { inci: ['Aqua', 'Glycerin'] })
const alsoScented = product('serum', 'alsoScented', { inci: ['Aqua', 'Linalool'] })
const burned: PastReaction = {
  at: AT,
  day: '2026-03-03',
  productId: scented.id,
  productName: 'Scented cream',
  inci: scented.inci,
  what: 'burning on the cheeks',
}
const test = (
  hoursAfter: number,
  readAfter: number | null,
  result: 'clear' | 'reaction' = 'clear',
  productId = scented.id,
): PatchTest => ({
  id: `${hoursAfter}`,
  productId,
  place: 'behindEar',
  placedAt: AT + hoursAfter * HOUR,
  reads: readAfter === null ? [] : [{ at: AT + (hoursAfter + readAfter) * HOUR, result }],
})

describe('a reaction is remembered', () => {
  it('keeps the suspected product on the shelf, and what shares a flagged ingredient', () => {
    expect(suspicion(scented, [burned], [])).toMatch(/suspected of the reaction on 2026-03-03/)
    expect(suspicion(alsoScented, [burned], [])).toMatch(/holds fragrance, as Scented cream did/)
    expect(suspicion(plain, [burned], [])).toBeUndefined()
    expect(suspicion(scented, [], [])).toBeUndefined()
  })
  it('until a patch test placed since then has read clear in its time', () => {
    expect(suspicion(scented, [burned], [test(48, 24)])).toBeUndefined()
    expect(suspicion(alsoScented, [burned], [test(48, 24)])).toBeUndefined()
    for (const tests of [
      [test(-72, 48)],
      [test(48, null)],
      [test(48, 3)],
      [test(48, 24, 'reaction')],
      [test(48, 24, 'clear', plain.id)],
    ])
      expect(suspicion(scented, [burned], tests)).toBeDefined()
    // The other's own clear test brings back the other and not the suspected one.
    const other = [test(48, 24, 'clear', alsoScented.id)]
    expect(suspicion(alsoScented, [burned], other)).toBeUndefined()
    expect(suspicion(scented, [burned], other)).toBeDefined()
  })
  it('is no longer planned, says why, and stands among the alerts', () => {
    const before = toPlanInput(visitBundle())
    const used = propose(before).steps.flatMap((step) => step.productId ?? [])
    expect(used.length).toBeGreaterThan(3)
    for (const productId of new Set(used)) {
      const own = { ...burned, productId, inci: [] }
      const after = toPlanInput(visitBundle({ reactions: [own] }))
      const plan = propose(after).steps
      expect(plan.flatMap((step) => step.productId ?? [])).not.toContain(productId)
      const item = after.shelf.find((one) => one.product.id === productId)
      if (!item) throw new Error('gone from the shelf')
      const rules = productTrouble(item.product, item.lots, after).map((bar) => bar.rule)
      expect(rules).toContain(REACTED_RULE)
    }
    expect(alertsOf({}, [burned])).toEqual([{ text: 'reacted: Scented cream', unsure: false }])
  })
  it('is set aside for one visit by a mark of its own', () => {
    const lift = { rule: REACTED_RULE, word: '', reason: 'it was the weather', by: 'me', at: AT }
    const reactions = [{ ...burned, productId: 'moisturiser' }]
    expect(Object.keys(toPlanInput(visitBundle({ reactions })).suspected)).toEqual(['moisturiser'])
    expect(toPlanInput(visitBundle({ reactions, lifts: [lift] })).suspected).toEqual({})
  })
  it('one more reaction never brings a bottle back', () => {
    const reaction = fc.record({
      kind: fc.constantFrom(...PRODUCT_KINDS),
      inci: fc.subarray(['Parfum', 'Mel', 'Retinol', 'Aqua', 'Lanolin']),
      hours: fc.integer({ min: -500, max: 500 }),
    })
    const shelf = planInput().shelf.map(({ product: own }, i) => ({
      ...own,
      inci: [['Aqua'], ['Parfum'], ['Mel'], ['Retinol', 'Parfum']][i % 4] ?? [],
    }))
    fc.assert(
      fc.property(fc.array(reaction, { maxLength: 3 }), reaction, (list, more) => {
        const told = [...list, more].map(({ kind, inci, hours }): PastReaction => ({
          ...burned,
          productId: kind,
          inci,
          at: AT + hours * HOUR,
        }))
        const tests = [test(0, 24, 'clear', shelf[0]?.id)]
        for (const own of shelf)
          if (suspicion(own, told.slice(0, -1), tests) !== undefined)
            expect(suspicion(own, told, tests)).toBeDefined()
        expect(openReactions(told, []).length).toBe(told.length)
      }),
    )
  })
})
