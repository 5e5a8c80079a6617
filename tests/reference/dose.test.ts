import { FINGERTIP_AREA, FINGERTIP_GRAMS, PKA } from '#core/catalogue/rules/dosing'
import convert from 'convert'
import { describe, expect, it } from 'vitest'
import { ESSENTIAL_OILS } from '#core/catalogue/products/essentialOils'
import { FILMS } from '#core/catalogue/products/products'
import { amountFor, dropsToMillilitres, fingertipUnits } from '#core/dosing/amount'
import { freeAcidOf, freeAcidPercent } from '#core/dosing/freeAcid'
import { tooMuchOil } from '#core/dosing/mixing'
import { areaOf, GROUPS } from '#core/face/regions'
import { product } from '#core/testing/fixtures'
import {
  KPA_PER_INHG,
  KPA_PER_MMHG,
  ML_PER_TEASPOON,
  ML_PER_US_FL_OZ,
  ML_PER_US_TEASPOON,
  MM_PER_INCH,
} from '#core/units'

describe('free acid, Henderson–Hasselbalch; pKa from the CRC Handbook (values from memory)', () => {
  it('10 % glycolic at pH 3.5 leaves 6.8 % free', () => {
    expect(freeAcidPercent('glycolic', 10, 3.5)).toBeCloseTo(6.8, 1)
  })
  it('half is free where pH equals pKa', () => {
    for (const [acid, pKa] of Object.entries(PKA))
      expect(freeAcidPercent(acid as keyof typeof PKA, 10, pKa)).toBeCloseTo(5, 9)
  })
  it('is thinned with what it is mixed with: a quarter by weight leaves a quarter free', () => {
    const acid = { acid: { name: 'lactic' as const, percent: 8 }, pH: 3.86 }
    const part = { parts: 3, density: 1, measure: 'gram' as const, label: '', name: 'water' }
    const recipe = { parts: 1, by: 'weight' as const, others: [part], workingMinutes: 10 }
    const neat = freeAcidOf(product('acidMask', 'a', acid))
    expect(neat).toBeCloseTo(4, 6)
    expect(freeAcidOf(product('acidMask', 'a', { ...acid, recipe }))).toBeCloseTo(neat / 4, 6)
    // By volume a light powder weighs less than its scoop of water.
    const light = product('acidMask', 'a', {
      ...acid,
      ...{ density: 0.5, recipe: { ...recipe, by: 'volume' as const } },
    })
    expect(freeAcidOf(light)).toBeCloseTo(neat * (0.5 / 3.5), 6)
  })
  it('keeps the published constants', () => {
    expect(PKA).toEqual({ glycolic: 3.83, lactic: 3.86, mandelic: 3.41, salicylic: 2.97 })
  })
})

describe('fingertip unit, Long & Finlay, Clin Exp Dermatol 1991 (values from memory)', () => {
  it('is about half a gram: 0.49 g for men, 0.43 g for women', () => {
    expect(FINGERTIP_GRAMS).toMatchObject({ men: 0.49, women: 0.43 })
  })
  it('covers 312 and 257 cm², so that face and neck want about two and a half', () => {
    const faceAndNeck = areaOf(GROUPS.faceNeck)
    expect(faceAndNeck / FINGERTIP_AREA.men).toBeGreaterThan(2)
    expect(faceAndNeck / FINGERTIP_AREA.women).toBeLessThan(3.1)
    expect((FINGERTIP_GRAMS.men / FINGERTIP_AREA.men) * 1000).toBeCloseTo(1.57, 1)
  })
})

describe('sun protection film, ISO 24444 (value from memory)', () => {
  const sun = product('sunProtection', 'sun', { dispenser: { kind: 'pump', millilitres: 0.1 } })
  it('is 2.00 mg/cm², never less', () => {
    expect(FILMS.sunProtection).toMatchObject({ milligrams: 2, floor: true })
  })
  it('makes about one and a half grams for face and neck, three fingertip units; about two with the décolleté (common practice)', () => {
    expect(amountFor(sun, GROUPS.faceNeck).grams).toBeCloseTo(1.5, 1)
    expect(fingertipUnits(amountFor(sun, GROUPS.faceNeck).grams)).toBe(3)
    expect(amountFor(sun, GROUPS.faceNeckDecollete).grams).toBeCloseTo(2, 1)
  })
})

describe('body surface, Du Bois & Du Bois 1916; Lund & Browder 1944 (values from memory)', () => {
  const bodyCm2 = (kg: number, cm: number) => 0.007184 * kg ** 0.425 * cm ** 0.725 * 10_000
  it('agrees on 1.81 m² for 70 kg and 170 cm', () => {
    expect(bodyCm2(70, 170) / 10_000).toBeCloseTo(1.81, 2)
  })
  it("leaves the face well inside the head's seven per cent, and the neck inside its two", () => {
    expect(areaOf(GROUPS.face)).toBeLessThan(0.07 * bodyCm2(70, 170))
    expect(areaOf(GROUPS.face)).toBeGreaterThan(0.3 * 0.07 * bodyCm2(70, 170))
    expect(areaOf(['neck'])).toBeLessThanOrEqual(0.02 * bodyCm2(70, 170))
  })
})

describe('drops, European Pharmacopoeia 2.1.1 (value from memory)', () => {
  it('twenty drops of water weigh a gram, give or take 0.05', () => {
    expect(Math.abs(dropsToMillilitres(20) * 1 - 1)).toBeLessThanOrEqual(0.05)
  })
})

describe('essential oils, Tisserand & Young, Essential Oil Safety, 2nd ed. 2014 (values from memory)', () => {
  const PUBLISHED: Readonly<Record<string, number>> = {
    cinnamonBark: 0.07,
    cinnamonLeaf: 0.6,
    cloveBud: 0.5,
    lemongrass: 0.7,
    lemon: 2,
    bergamot: 0.4,
    teaTree: 15,
  }
  it('keeps the most on the skin of each, and no oil without one', () => {
    const own = ESSENTIAL_OILS.map(({ id, percentMost }) => [id, percentMost])
    expect(Object.fromEntries(own)).toEqual(PUBLISHED)
  })
  it.each(Object.entries(PUBLISHED))('refuses %s above %d %%, and lets it be at it', (id, most) => {
    const oil = ESSENTIAL_OILS.find((own) => own.id === id)
    const mixed = (percent: number) =>
      tooMuchOil(
        product('powderMask', 'p', {
          recipe: {
            ...{ parts: 100 - percent, by: 'volume' as const, workingMinutes: 10 },
            others: [
              {
                ...{ name: oil?.name ?? '', parts: percent, density: 1, label: '' },
                measure: 'drop' as const,
              },
            ],
          },
        }),
      )
    expect(mixed(most * 0.999)).toEqual([])
    expect(mixed(most * 1.01).length).toBeGreaterThan(0)
  })
})

describe('weight and volume by density: a millilitre of water is a gram', () => {
  it('a dose weighs its millilitres times its density', () => {
    for (const density of [0.5, 0.92, 1, 1.4]) {
      const own = amountFor(
        product('creamMask', 'c', { density, dispenser: { kind: 'pour', millilitres: 0.1 } }),
        GROUPS.face,
      )
      expect(own.grams).toBeCloseTo(own.millilitres * density, 9)
      // The film is laid by weight: the lighter it is, the more millilitres.
      expect(own.grams).toBeCloseTo((areaOf(GROUPS.face) * 15) / 1000, 0)
    }
  })
})

describe('units, NIST SP 811 (values from memory), against a units library', () => {
  it('agree', () => {
    expect(KPA_PER_INHG).toBeCloseTo(convert(1, 'inHg').to('kPa'), 3)
    expect(KPA_PER_MMHG).toBeCloseTo(convert(1, 'inHg').to('kPa') / convert(1, 'inch').to('mm'), 5)
    expect(ML_PER_US_TEASPOON).toBeCloseTo(convert(1, 'teaspoon').to('mL'), 5)
    expect(ML_PER_US_FL_OZ).toBeCloseTo(6 * convert(1, 'teaspoon').to('mL'), 4)
    expect(MM_PER_INCH).toBeCloseTo(convert(1, 'inch').to('mm'), 9)
    // The metric spoon is the US one rounded up: by a little over one per cent.
    expect(ML_PER_TEASPOON / convert(1, 'teaspoon').to('mL')).toBeCloseTo(1.0144, 4)
  })
})
