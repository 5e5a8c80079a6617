import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOME_STEPS, HOME_STEP_IDS } from '../catalogue/home/homeSteps'
import { PRODUCT_KINDS } from '../catalogue/kinds'
import { TECHNIQUES } from '../catalogue/techniques/techniques'
import { baseOfLabel, layered, waitBetween } from './layering'

describe('layers at home', () => {
  it('lie in the order of the room: for each two kinds that both lay, the lighter is under', () => {
    const inRoom = PRODUCT_KINDS.flatMap((kind) => {
      const weights = Object.values(TECHNIQUES)
        .filter((technique) => technique.product === kind && !technique.byChoice)
        .flatMap(({ leaves, product }) => (leaves.layer && product === kind ? [leaves.layer] : []))
      return weights.length > 0 ? [{ kind, weight: Math.max(...weights) }] : []
    })
    const atHome = HOME_STEP_IDS.map((id) => HOME_STEPS[id])
    for (const one of inRoom)
      for (const other of inRoom) {
        const [under, over] = [one, other].map(({ kind }) =>
          atHome.find(({ kinds }) => kinds.includes(kind)),
        )
        if (!under || !over || under === over || one.weight >= other.weight) continue
        expect(under.weight, `${under.id} under ${over.id}`).toBeLessThan(over.weight)
      }
  })
  it('keep all layers and never put a heavier one under a lighter', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...HOME_STEP_IDS]), (ids) => {
        const order = layered(ids.map((id) => HOME_STEPS[id]))
        expect(order).toHaveLength(ids.length)
        const weights = order.map(({ weight }) => weight)
        expect(weights).toEqual([...weights].sort((one, other) => one - other))
      }),
    )
  })
  it('wait where the second would roll the first up, and not elsewhere', () => {
    expect(waitBetween('water', 'oil')?.minutes).toBe(2)
    expect(waitBetween('water', 'silicone')?.minutes).toBe(1)
    expect(waitBetween('cream', 'filter')?.minutes).toBe(2)
    expect(waitBetween('water', 'cream')).toBeUndefined()
    expect(waitBetween('washedOff', 'water')).toBeUndefined()
  })
  it('read what carries a bottle off the head of its label', () => {
    expect(baseOfLabel(['Aqua', 'Dimethicone', 'Glycerin'], 'water')).toBe('silicone')
    expect(baseOfLabel(['Aqua', 'Glycerin', 'Panthenol', 'Dimethicone'], 'water')).toBe('water')
    expect(baseOfLabel(['Simmondsia Chinensis Seed Oil'], 'cream')).toBe('oil')
    expect(baseOfLabel(['Cyclopentasiloxane'], 'filter')).toBe('filter')
  })
})
