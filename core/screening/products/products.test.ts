import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { confirmationsFor } from '../consent/confirm'
import { describe, expect, it } from 'vitest'
import { ingredientsNamed, ingredientsIn } from '../../catalogue/products/ingredients'
import { allNo, lot, product, TODAY } from '../../testing/fixtures'
import { addDays } from '../asking/days'
import { lotBars, productBars } from './products'
import { screen } from '../verdict/verdict'

const holds = (substances: string[], ...inci: string[]) => {
  const answers = allNo({ allergy: { say: 'yes', substances } })
  return productBars(product('serum', 's', { inci }), screen(answers, TODAY), answers).map(
    (productBar) => productBar.text,
  )
}

describe('allergies against the label', () => {
  it('takes honey, propolis and beeswax for one family', () => {
    expect(holds(['honey'], 'Aqua', 'Propolis Extract')).toEqual(['holds bee products'])
    expect(holds(['propolis'], 'Cera Alba')).toEqual(['holds bee products'])
    expect(holds(['beeswax'], 'Mel')).toEqual(['holds bee products'])
    expect(holds(['honey'], 'Melissa Officinalis Water')).toEqual([])
  })
  it('knows milk from lactic acid', () => {
    expect(ingredientsIn(['Lactic Acid'])).toEqual([])
    expect(ingredientsIn(['Lac Powder'])).toEqual(['milk'])
  })
  it('matches a word no family knows as it stands', () => {
    expect(holds(['squalane'], 'Aqua', 'Squalane')).toEqual(['holds squalane'])
    expect(ingredientsNamed('kumquat')).toEqual([])
    const { throughout } = screen(
      allNo({ allergy: { say: 'yes', substances: ['kumquat'] } }),
      TODAY,
    )
    expect(throughout.map(({ say }) => say)).toEqual([
      'Read every label for “kumquat”: no list knows the word',
    ])
    const known = screen(allNo({ allergy: { say: 'yes', substances: ['honey'] } }), TODAY)
    expect(known.throughout).toEqual([])
    expect(confirmationsFor(TECHNIQUES.milk, known)).toEqual([])
  })
  it('asks before the first bottle of the visit whether every label was read for it', () => {
    const told = screen(allNo({ allergy: { say: 'yes', substances: ['kumquat'] } }), TODAY)
    const first = confirmationsFor(TECHNIQUES.milk, told)
    expect(first.map(({ rule }) => rule)).toEqual(['unknown-word'])
    expect(first[0]?.say).toContain('kumquat')
    expect(confirmationsFor(TECHNIQUES.massage, told)).toEqual([])
  })
  // Names as they stand on labels, each with what a client would say. INCI and botanical names.
  it.each([
    ['Arachis Hypogaea Oil', 'peanuts'],
    ['Arachis Hypogaea Oil', 'nuts'],
    ['Anacardium Occidentale Seed Oil', 'cashew'],
    ['Pistacia Vera Seed Oil', 'nuts'],
    ['Prunus Amygdalus Dulcis Oil', 'almonds'],
    ['Hydrolyzed Wheat Protein', 'gluten'],
    ['Avena Sativa Kernel Flour', 'oats'],
    ['Goat Milk', 'milk'],
    ['Sodium Caseinate', 'dairy'],
    ['Algin', 'seaweed'],
    ['Ascophyllum Nodosum Extract', 'iodine'],
    ['Albumen', 'egg'],
    ['Apis Mellifera', 'bee'],
    ['Cera Flava', 'honey'],
    ['Pollen Extract', 'propolis'],
    ['Sesamum Indicum Seed Oil', 'sesame'],
    ['Glycine Max Oil', 'soya'],
    ['Lavandula Angustifolia Oil', 'perfume'],
    ['Vanillin', 'fragrance'],
    ['Adeps Lanae', 'wool'],
    ['Propylparaben', 'parabens'],
  ])('%s is kept from who says %s', (inci, said) => {
    expect(holds([said], 'Aqua', inci)).toHaveLength(1)
    expect(holds(['kumquat'], 'Aqua', inci)).toEqual([])
  })
  it.each(['nuts and milk', 'milk, nuts', 'Nuts / Milk', 'nuts; milk', 'nuts + milk'])(
    'takes every part of "%s"',
    (said) => {
      for (const inci of ['Corylus Avellana Oil', 'Lac', 'Arachis Hypogaea Oil'])
        expect(holds([said], 'Aqua', inci)).toHaveLength(1)
    },
  )
  it('leaves alone what only sounds alike', () => {
    for (const inci of ['Hamamelis Virginiana (Witch Hazel) Water', 'Citric Acid', 'Lactic Acid'])
      expect(ingredientsIn([inci])).toEqual([])
  })
  it('stops every allergen while the allergy is not named', () => {
    expect(holds([], 'Parfum')).toEqual(['allergy not named yet: ask before'])
    expect(holds([], 'Aqua')).toEqual([])
  })
  it('keeps retinoids from a pregnant client, and from one who was not asked', () => {
    const bottle = product('serum', 's', { inci: ['Retinal'] })
    const bars = (first: ReturnType<typeof allNo>) =>
      productBars(bottle, screen(first, TODAY), first).length
    expect(bars(allNo({ pregnancy: { say: 'yes' } }))).toBe(1)
    expect(bars(allNo({ pregnancy: { say: 'unsure' } }))).toBe(1)
    expect(bars(allNo())).toBe(0)
  })
})

describe('what a row stops in products', () => {
  it('is named with that row, and left alone where the row does not fire', () => {
    const seaweed = product('settingClay', 's', { inci: ['Aqua', 'Laminaria Digitata Powder'] })
    const bars = (first: ReturnType<typeof allNo>) =>
      productBars(seaweed, screen(first, TODAY), first).map((productBar) => productBar.rule)
    expect(bars(allNo({ thyroid: { say: 'yes' } }))).toEqual(['thyroid-seaweed'])
    expect(bars(allNo({ allergy: { say: 'yes', substances: ['shellfish'] } }))).toEqual([
      'allergy-products',
    ])
    expect(bars(allNo())).toEqual([])
    const retinal = product('serum', 'r', { inci: ['Retinal'] })
    expect(
      productBars(retinal, screen(allNo({ pregnancy: { say: 'yes' } }), TODAY), allNo()),
    ).toEqual([{ rule: 'pregnancy-current', text: 'holds a retinoid' }])
  })
  it('a retinoid is no allergen: an unnamed allergy does not stop it', () => {
    const given = allNo({ allergy: { say: 'yes', substances: [] } })
    expect(
      productBars(product('serum', 'r', { inci: ['Retinal'] }), screen(given, TODAY), given),
    ).toEqual([])
  })
})

describe('bottles', () => {
  const bottle = product('milk', 'm', { openMonths: 6 })
  it('refuses what is recalled, out of date, open too long or empty, each with its word', () => {
    expect(lotBars(lot('m', { recalled: true }), bottle, TODAY)[0]?.rule).toBe('lot-recalled')
    expect(lotBars(lot('m', { expires: addDays(TODAY, -1) }), bottle, TODAY)[0]?.rule).toBe(
      'lot-expired',
    )
    expect(lotBars(lot('m', { openedOn: addDays(TODAY, -200) }), bottle, TODAY)[0]?.rule).toBe(
      'lot-open-too-long',
    )
    expect(lotBars(lot('m', { remainingMillilitres: 0 }), bottle, TODAY)[0]?.rule).toBe('lot-empty')
    expect(
      lotBars(lot('m', { expires: TODAY, openedOn: addDays(TODAY, -180) }), bottle, TODAY),
    ).toEqual([])
  })
})

describe('a bottle that is open', () => {
  const openFor = (days: number, openMonths: number) =>
    lotBars(
      lot('l', { openedOn: addDays(TODAY, -days), expires: addDays(TODAY, 900) }),
      product('serum', 's', { openMonths }),
      TODAY,
    ).map(({ rule }) => rule)
  it('is good for as many whole days as its months have, and not for one more', () => {
    // A month has 30.4 days on the mean: a part of a day is no day.
    expect(openFor(30, 1)).toEqual([])
    expect(openFor(31, 1)).toEqual(['lot-open-too-long'])
    expect(openFor(182, 6)).toEqual([])
    expect(openFor(183, 6)).toEqual(['lot-open-too-long'])
  })
  it('is out of date the day after its date, and not on it', () => {
    const dated = (days: number) =>
      lotBars(lot('l', { expires: addDays(TODAY, days) }), product('serum', 's'), TODAY)
    expect(dated(0)).toEqual([])
    expect(dated(-1).map(({ rule }) => rule)).toEqual(['lot-expired'])
  })
})
