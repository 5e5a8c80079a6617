import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  AGE_FACTORS,
  REDNESS_FACTORS,
  SENSITIVITY_FACTORS,
  WATER_FACTORS,
} from '../catalogue/rules/tolerance'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { REGION_IDS } from '../face/zones'
import { deriveProfile } from '../skin/profile'
import { readAll, RESILIENT } from '../testing/fixtures'
import type { Grade } from '../skin/readings'
import { halfLifeHours, ledgerCurve, remainingAt, type Poured } from './ledger'
import { loadOn } from './loads'
import { earliestAgain, restBars } from './rest'
import { toleranceOf, toleranceWords } from './tolerance'

const DAY = 86_400_000
const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
const region = fc.constantFrom(...REGION_IDS)
const work = fc.record({
  handsMinutes: fc.integer({ min: 0, max: 30 }),
  dwellMinutes: fc.integer({ min: 0, max: 30 }),
  passes: fc.integer({ min: 0, max: 3 }),
})

describe('load of a step', () => {
  it('counts each pass of the tip', () => {
    const share = { handsMinutes: 8, dwellMinutes: 0, passes: 1 }
    expect(loadOn('forehead', TECHNIQUES.tip, share)).toBe(180)
    expect(loadOn('forehead', TECHNIQUES.tip, { ...share, passes: 2 })).toBe(360)
  })
  it('weighs more on thinner skin and on warm skin', () => {
    const share = { handsMinutes: 1, dwellMinutes: 0, passes: 0 }
    expect(loadOn('neck', TECHNIQUES.grain, share)).toBeGreaterThan(
      loadOn('forehead', TECHNIQUES.grain, share),
    )
    expect(loadOn('forehead', TECHNIQUES.grain, share, 125)).toBe(113)
    // What is not felt in warm skin asks no more there, nor a hundredth more in cool skin.
    const rest = { handsMinutes: 10, dwellMinutes: 100, passes: 1 }
    for (const technique of [TECHNIQUES.clay, TECHNIQUES.massage]) {
      const asked = loadOn('forehead', technique, rest)
      expect(loadOn('forehead', technique, rest, 125)).toBe(asked)
    }
  })
  it('is a whole number, never below zero, and never falls with more work', () => {
    fc.assert(
      fc.property(
        region,
        fc.constantFrom(...TECHNIQUE_IDS),
        work,
        work,
        (region, id, one, other) => {
          const more = {
            handsMinutes: one.handsMinutes + other.handsMinutes,
            dwellMinutes: one.dwellMinutes + other.dwellMinutes,
            passes: one.passes + other.passes,
          }
          const low = loadOn(region, TECHNIQUES[id], one)
          expect(Number.isInteger(low)).toBe(true)
          expect(low).toBeGreaterThanOrEqual(0)
          expect(loadOn(region, TECHNIQUES[id], more)).toBeGreaterThanOrEqual(low)
        },
      ),
    )
  })
})

describe('tolerance', () => {
  it('is whole for a resilient adult and gives every reason when lower', () => {
    const calm = deriveProfile(readAll(RESILIENT), 30)
    expect(toleranceOf(calm, 'forehead', 100)).toEqual({ hundredths: 500, because: [] })
    const red = toleranceOf(
      deriveProfile(readAll({ ...RESILIENT, redness: 1, sensitivity: 2 }), 65),
      'forehead',
      50,
    )
    expect(red.because.map((toleranceFactor) => toleranceFactor.id)).toEqual([
      'tolerance-sens-2',
      'tolerance-red-1',
      'tolerance-age-60',
      'tolerance-answers',
    ])
    expect(red.hundredths).toBe(Math.floor(500 * 0.65 * 0.8 * 0.8 * 0.5))
  })
  it('knows every factor of the table, each by the skin that it speaks of and by no other', () => {
    const of = (more: object, age = 30) =>
      toleranceOf(deriveProfile(readAll({ ...RESILIENT, ...more } as never), age), 'forehead', 100)
    const cases: [
      readonly { id: string; percent: number }[],
      (i: number) => ReturnType<typeof of>,
    ][] = [
      [SENSITIVITY_FACTORS, (i) => of({ sensitivity: i })],
      [REDNESS_FACTORS, (i) => of({ redness: i })],
      [WATER_FACTORS, (i) => of({ water: i })],
      [AGE_FACTORS, (i) => of({}, AGE_FACTORS[i]?.from)],
    ]
    for (const [table, at] of cases)
      table.forEach((row, i) => {
        expect(
          at(i).because.map((toleranceFactor) => toleranceFactor.id),
          row.id,
        ).toEqual(row.percent === 100 ? [] : [row.id])
        expect(at(i).hundredths, row.id).toBe(Math.floor((500 * row.percent) / 100 + 1e-9))
      })
  })
  it('never rises when a skin is read as more sensitive, redder, older, or is not read', () => {
    fc.assert(
      fc.property(
        grade,
        grade,
        grade,
        grade,
        fc.integer({ min: 20, max: 90 }),
        fc.integer({ min: 0, max: 100 }),
        (s1, s2, r1, r2, age, limit) => {
          const tolerance = (sensitivity: Grade, redness: Grade, age: number) =>
            toleranceOf(
              deriveProfile(readAll({ ...RESILIENT, sensitivity, redness }), age),
              'cheekL',
              limit,
            ).hundredths
          expect(tolerance(s1 > s2 ? s1 : s2, r1 > r2 ? r1 : r2, age + 5)).toBeLessThanOrEqual(
            tolerance(s1 > s2 ? s2 : s1, r1 > r2 ? r2 : r1, age),
          )
        },
      ),
    )
    expect(toleranceOf(deriveProfile({}, 30), 'forehead', 100).hundredths).toBeLessThan(250)
  })
})

describe('tolerance in words', () => {
  it('says how much, and where it is least', () => {
    const calm = readAll(RESILIENT)
    expect(toleranceWords(deriveProfile(calm, 30), 100)).toEqual({
      share: 'all',
      where: 'everywhere',
      why: '',
    })
    const cheek = { cheekL: { ...RESILIENT, sensitivity: 4 as Grade } }
    const words = toleranceWords(deriveProfile(readAll(RESILIENT, cheek), 30), 100)
    expect(words.where).toBe('left cheek')
    expect(words.share).toMatch(/ to all$/)
    expect(words.why).toMatch(/:/)
  })
})

describe('ledger', () => {
  const poured: Poured[] = [{ at: 0, label: 'tip', loads: { forehead: 200, cheekL: 100 } }]
  it('halves in one half-life', () => {
    expect(remainingAt(poured, 24 * 3_600_000, 24).forehead).toBe(100)
    expect(remainingAt(poured, 48 * 3_600_000, 24).forehead).toBe(50)
    expect(remainingAt(poured, -1, 24).forehead).toBe(0)
  })
  it('lasts longer on older and on thirsty skin', () => {
    expect(halfLifeHours(25, false)).toBe(24)
    expect(halfLifeHours(90, false)).toBe(102)
    expect(halfLifeHours(40, true)).toBeGreaterThan(halfLifeHours(40, false))
  })
  it('only drains while nothing is poured, and adds up', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            at: fc.integer({ min: 0, max: 30 * DAY }),
            load: fc.integer({ min: 0, max: 500 }),
          }),
          { maxLength: 8 },
        ),
        fc.integer({ min: 30 * DAY, max: 60 * DAY }),
        fc.integer({ min: 0, max: 10 * DAY }),
        (list, at, later) => {
          const poured = list.map((item) => ({
            at: item.at,
            label: '',
            loads: { nose: item.load },
          }))
          expect(remainingAt(poured, at + later, 40).nose).toBeLessThanOrEqual(
            remainingAt(poured, at, 40).nose,
          )
          const parts = poured.reduce((sum, one) => sum + remainingAt([one], at, 40).nose, 0)
          expect(Math.abs(parts - remainingAt(poured, at, 40).nose)).toBeLessThanOrEqual(
            poured.length,
          )
        },
      ),
    )
  })
  it('draws a point each step', () => {
    expect(
      ledgerCurve(poured, 'forehead', 0, 10 * 3_600_000, 5, 24).map((point) => point.at),
    ).toEqual([0, 5, 10].map((hours) => hours * 3_600_000))
    expect(() => ledgerCurve(poured, 'forehead', 0, 1, 0, 24)).toThrow(RangeError)
  })
})

describe('rest', () => {
  const tip = {
    day: '2026-03-01',
    families: ['abrasion', 'vacuum'] as const,
    regions: ['forehead'] as const,
  }
  it('keeps four weeks after the tip, on the zones that were worked', () => {
    const bars = restBars([tip], '2026-03-10')
    expect(bars.map((bar) => [bar.rule, bar.until, bar.regions])).toEqual([
      ['rest-tip', '2026-03-29', ['forehead']],
    ])
    expect(bars[0]?.families).toContain('enzyme')
    expect(restBars([tip], '2026-03-29')).toEqual([])
    expect(restBars([tip], '2026-03-28')).toHaveLength(1)
  })
  it('looks only backwards', () => {
    expect(restBars([tip], '2026-02-20')).toEqual([])
  })
  it('says when a family may come again, the strictest first', () => {
    expect(earliestAgain(['friction', 'abrasion'], '2026-03-01')?.day).toBe('2026-03-29')
    expect(earliestAgain(['massage'], '2026-03-01')).toBeUndefined()
  })
})
