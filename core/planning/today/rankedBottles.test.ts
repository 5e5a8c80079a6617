import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../../catalogue/kinds'
import { lot, planInput, product, readAll, RESILIENT } from '../../testing/fixtures'
import { rankedBottles } from './bottles'

const shelf = [
  product('moisturiser', 'rich', { suits: ['dry'] }),
  product('moisturiser', 'water-gel', { suits: ['dehydrated'] }),
  product('moisturiser', 'plain', { suits: ['all'] }),
].map((own) => ({ product: own, lots: [lot(own.id)] }))

describe('the list of bottles for a step', () => {
  const thirsty = planInput({ shelf, readings: readAll({ ...RESILIENT, oil: 3, water: 0 }) })
  it('is ranked: thirsty oily skin gets water, not a rich cream', () => {
    const ranked = rankedBottles('moisturiser', thirsty)
    expect(ranked[0]).toMatchObject({ product: { id: 'water-gel' }, fits: true })
    expect(ranked[0]?.word).toContain('dehydrated')
    expect(ranked.map(({ product: own }) => own.id)).toHaveLength(3)
  })
  it('says of each why it fits or why not, and puts what may not be taken last', () => {
    const input = {
      ...thirsty,
      suspected: { 'water-gel': 'suspected of the reaction on 2026-01-01' },
    }
    const ranked = rankedBottles('moisturiser', input)
    expect(ranked.at(-1)).toMatchObject({ product: { id: 'water-gel' }, fits: false })
    expect(ranked.at(-1)?.word).toContain('suspected')
    for (const kind of PRODUCT_KINDS)
      for (const { word } of rankedBottles(kind, planInput()))
        expect(word.length).toBeGreaterThan(3)
  })
})
