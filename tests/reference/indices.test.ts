import { converter, differenceCiede2000 } from 'culori'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { colourDifference, itaClass, itaDegrees } from '#core/skin/colour'
import { ACNE_AREAS, acneGrade, BURNS, phototype, TANS, type AcneArea } from '#core/skin/indices'
import { METERS, METER_KINDS } from '#core/catalogue/skin/meters'
import { changedBeyond, refuseValue, summarise } from '#core/skin/meters'

describe('individual typology angle, Chardon et al., Int J Cosmet Sci 1991 (values from memory)', () => {
  it('is the angle over b* of how far L* stands above 50', () => {
    expect(itaDegrees({ L: 65, a: 10, b: 15 })).toBeCloseTo(45, 9)
    expect(itaDegrees({ L: 50, a: 10, b: 15 })).toBe(0)
    expect(itaDegrees({ L: 35, a: 10, b: 15 })).toBeCloseTo(-45, 9)
  })
  it('is not said where b* is not above zero', () => {
    expect(itaDegrees({ L: 60, a: 5, b: 0 })).toBeUndefined()
  })
  it('puts each bound into the darker class', () => {
    for (const [at, name, above] of [
      [55, 'light', 'very light'],
      [41, 'intermediate', 'light'],
      [28, 'tan', 'intermediate'],
      [10, 'brown', 'tan'],
      [-30, 'dark', 'brown'],
    ] as const) {
      expect(itaClass(at).name).toBe(name)
      expect(itaClass(at + 0.001).name).toBe(above)
    }
  })
})

describe('CIEDE2000', () => {
  it('gives the published pair: Sharma, Wu & Dalal, Color Res Appl 2005 (value from memory)', () => {
    expect(
      colourDifference({ L: 50, a: 2.6772, b: -79.7751 }, { L: 50, a: 0, b: -82.7485 }),
    ).toBeCloseTo(2.0425, 4)
  })
  it('agrees with the colour library on sRGB pairs, both ways round', () => {
    const lab = converter('lab65')
    const byLibrary = differenceCiede2000()
    const channel = fc.integer({ min: 0, max: 255 })
    fc.assert(
      fc.property(
        channel,
        channel,
        channel,
        channel,
        channel,
        channel,
        (red, green, blue, r2, g2, b2) => {
          const [one, two] = [
            lab({ mode: 'rgb', r: red / 255, g: green / 255, b: blue / 255 }),
            lab({ mode: 'rgb', r: r2 / 255, g: g2 / 255, b: b2 / 255 }),
          ]
          const [x, y] = [
            { L: one.l, a: one.a, b: one.b },
            { L: two.l, a: two.a, b: two.b },
          ]
          expect(colourDifference(x, y)).toBeCloseTo(byLibrary(one, two), 6)
          expect(colourDifference(x, y)).toBeCloseTo(colourDifference(y, x), 6)
          expect(colourDifference(x, x)).toBe(0)
        },
      ),
    )
  })
})

describe('acne grade, Doshi, Zaheer & Stiller, Int J Dermatol 1997 (values from memory)', () => {
  const all = (lesion: 'none' | 'comedone' | 'papule' | 'pustule' | 'nodule') =>
    Object.fromEntries(Object.keys(ACNE_AREAS).map((acneArea) => [acneArea, lesion])) as Record<
      AcneArea,
      typeof lesion
    >
  it('weighs the worst lesion of each area', () => {
    expect(acneGrade({ ...all('none'), forehead: 'pustule', nose: 'comedone' })).toMatchObject({
      sum: 7,
      severity: 'mild',
      missing: [],
    })
    expect(acneGrade(all('none'))).toMatchObject({ sum: 0, severity: 'none' })
    expect(acneGrade(all('nodule')).sum).toBe(44)
  })
  it('changes its word at 1, 19, 31 and 39', () => {
    expect(acneGrade({ ...all('none'), nose: 'comedone' }).severity).toBe('mild')
    expect(
      acneGrade({ ...all('papule'), chestBack: 'none', nose: 'papule', chin: 'papule' }),
    ).toMatchObject({ sum: 16, severity: 'mild' })
    expect(acneGrade({ ...all('papule'), chestBack: 'comedone' })).toMatchObject({
      sum: 19,
      severity: 'moderate',
    })
    expect(acneGrade({ ...all('papule'), chestBack: 'comedone', nose: 'comedone' })).toMatchObject({
      sum: 18,
      severity: 'mild',
    })
    expect(acneGrade({ ...all('pustule'), chestBack: 'papule' })).toMatchObject({
      sum: 30,
      severity: 'moderate',
    })
    expect(acneGrade({ ...all('pustule'), chestBack: 'papule', nose: 'nodule' })).toMatchObject({
      sum: 31,
      severity: 'severe',
    })
    expect(acneGrade({ ...all('nodule'), chestBack: 'papule' })).toMatchObject({
      sum: 38,
      severity: 'severe',
    })
    expect(acneGrade({ ...all('nodule'), chestBack: 'pustule' })).toMatchObject({
      sum: 41,
      severity: 'verySevere',
    })
  })
  it('says which areas were not looked at', () => {
    expect(acneGrade({ nose: 'papule' }).missing).toHaveLength(5)
  })
})

describe('phototype, Fitzpatrick, Arch Dermatol 1988 (wording from memory)', () => {
  it('is the type both answers name', () => {
    BURNS.forEach((burn, i) =>
      expect(phototype(burn, TANS[i] ?? 'never')).toEqual({
        sun: i + 1,
        marks: i + 1,
        agree: true,
      }),
    )
  })
  it('leans to caution both ways where the answers differ', () => {
    expect(phototype('always', 'deeply')).toEqual({ sun: 1, marks: 5, agree: false })
  })
})

describe('meters', () => {
  it('refuse a wrong unit, a nonsense value and what no skin gives', () => {
    for (const meter of METER_KINDS) {
      const ownMeter = METERS[meter]
      const mid = (ownMeter.least + ownMeter.most) / 2
      expect(refuseValue(meter, mid, ownMeter.unit)).toBeUndefined()
      expect(refuseValue(meter, mid, 'furlong')?.why).toBe('unit')
      for (const value of [Number.NaN, Infinity, '47', null, undefined])
        expect(refuseValue(meter, value, ownMeter.unit)?.why).toBe('nonsense')
      expect(refuseValue(meter, ownMeter.most + 1, ownMeter.unit)?.why).toBe('range')
      expect(refuseValue(meter, ownMeter.least - 1, ownMeter.unit)?.why).toBe('range')
    }
  })
  it('give median and spread whatever the order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -500, max: 500 }), { minLength: 1, maxLength: 9 }),
        (list) => {
          const summary = summarise(list)
          expect(summarise([...list].reverse())).toEqual(summary)
          expect(summary.spread).toBe(Math.max(...list) - Math.min(...list))
          expect(list.filter((value) => value < summary.median).length).toBeLessThanOrEqual(
            list.length / 2,
          )
          expect(list.filter((value) => value > summary.median).length).toBeLessThanOrEqual(
            list.length / 2,
          )
        },
      ),
    )
  })
  it('call a change one only beyond their own repeatability', () => {
    expect(changedBeyond('hydration', 40, 45)).toBe(false)
    expect(changedBeyond('hydration', 40, 46)).toBe(true)
  })
})
