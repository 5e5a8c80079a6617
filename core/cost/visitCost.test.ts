import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { COST_IDS } from '../catalogue/rules/costs'
import { DEVICE_KINDS } from '../catalogue/kinds'
import { pouredCents } from '../dosing/amount'
import { product } from '../testing/fixtures'
import { byKind, costOf, sumOf } from './visitCost'

const source = fc.record({
  poured: fc.array(
    fc.record({
      product: fc
        .tuple(fc.integer({ min: 5, max: 1000 }), fc.integer({ min: 0, max: 9000 }))
        .map(([packMillilitres, priceCents]) =>
          product('serum', 's', { packMillilitres, priceCents }),
        ),
      millilitres: fc.double({ min: 0, max: 60, noNaN: true }),
    }),
    { maxLength: 12 },
  ),
  linen: fc.array(
    fc.record({
      name: fc.constant('cloths'),
      count: fc.integer({ min: 1, max: 30 }),
      costs: fc.constantFrom(...COST_IDS),
    }),
    { maxLength: 6 },
  ),
  devices: fc.subarray(DEVICE_KINDS.map((name) => ({ name }))),
  minutes: fc.integer({ min: 15, max: 180 }),
  costs: fc.dictionary(fc.constantFrom(...COST_IDS), fc.integer({ min: 0, max: 9000 })),
})

describe('what a visit costs', () => {
  it('adds up to the cent, line by line and kind by kind', () => {
    fc.assert(
      fc.property(source, (own) => {
        const lines = costOf(own)
        for (const { cents } of lines) expect(Number.isInteger(cents)).toBe(true)
        expect(byKind(lines).reduce((sum, { cents }) => sum + cents, 0)).toBe(sumOf(lines))
      }),
    )
  })
  it('never falls where more is poured, more is used or it takes longer', () => {
    fc.assert(
      fc.property(source, fc.integer({ min: 1, max: 60 }), (own, more) => {
        const before = sumOf(costOf(own))
        const longer = { ...own, minutes: own.minutes + more }
        const fuller = own.poured.map((one) => ({ ...one, millilitres: one.millilitres + more }))
        expect(sumOf(costOf(longer))).toBeGreaterThanOrEqual(before)
        expect(sumOf(costOf({ ...own, poured: fuller }))).toBeGreaterThanOrEqual(before)
      }),
    )
  })
  it('a worked visit: 8 mL of 200 for 24.00, four cloths, one device, ninety minutes', () => {
    const lines = costOf({
      poured: [
        {
          product: product('milk', 'milk', { packMillilitres: 200, priceCents: 2400 }),
          millilitres: 8,
        },
      ],
      linen: [{ name: 'fresh cloths', count: 4, costs: 'wash' }],
      devices: [{ name: 'steamer' }],
      minutes: 90,
      costs: { roomHour: 1200, personHour: 2000, wash: 35, deviceUse: 150 },
    })
    expect(byKind(lines)).toEqual([
      { what: 'product', cents: 96 },
      { what: 'wash', cents: 140 },
      { what: 'device', cents: 150 },
      { what: 'room', cents: 1800 },
      { what: 'person', cents: 3000 },
    ])
    expect(sumOf(lines)).toBe(5186)
  })
  it('what the house has not told costs nothing and is not listed', () => {
    expect(
      costOf({
        poured: [],
        linen: [{ name: 'pads', count: 3, costs: 'pad' }],
        devices: [{ name: 'lamp' }],
        minutes: 60,
        costs: {},
      }),
    ).toEqual([])
  })
  it('the whole bottle costs the bottle', () => {
    expect(pouredCents({ packMillilitres: 30, priceCents: 1999 }, 30)).toBe(1999)
  })
})
