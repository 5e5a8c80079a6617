import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REGION_IDS } from '../../face/zones'
import { deriveProfile } from '../../skin/profile'
import type { AnyReadingId, Grade } from '../../skin/readings'
import { allNo, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { SKIN_LIMIT_ROWS, SKIN_ROWS } from '../../catalogue/skin/readRows'
import { barsFromSkin, withSkin } from './skin'
import { screen } from './verdict'

const seen = (reading: AnyReadingId, grade: Grade) =>
  barsFromSkin(
    deriveProfile(readAll(RESILIENT, { cheekL: { ...RESILIENT, [reading]: grade } }), 40),
  )

describe('what was read', () => {
  for (const [reading, from, rule, stops] of [
    ['redness', 2, 'baseline-redness', ['friction', 'acid', 'abrasion', 'heat']],
    ['vessels', 2, 'read-vessels', ['friction', 'abrasion', 'vacuum', 'heat']],
    ['spots', 3, 'read-spots', ['friction', 'abrasion', 'needling', 'massage']],
    ['spots', 4, 'read-nodules', ['friction', 'enzyme', 'acid', 'extraction', 'heat', 'massage']],
    ['fragility', 3, 'read-thin', ['friction', 'vacuum', 'needling']],
  ] as const) {
    it(`${reading} from grade ${from} bars its region and no other, and one grade less bars nothing`, () => {
      const bar = seen(reading, from).find((bar) => bar.rule === rule)
      expect(bar?.regions).toEqual(['cheekL'])
      expect(bar?.families).toEqual(expect.arrayContaining([...stops]))
      const less = seen(reading, (from - 1) as Grade)
      expect(less.map((bar) => bar.rule)).not.toContain(rule)
    })
  }
  for (const row of SKIN_ROWS)
    it(`${row.rule} is missed when it is switched off`, () => {
      const profile = deriveProfile(
        readAll({ ...RESILIENT, [row.reading]: row.from as Grade } as never),
      )
      expect(barsFromSkin(profile).map((bar) => bar.rule)).toContain(row.rule)
      expect(
        barsFromSkin(
          profile,
          SKIN_ROWS.filter((skinRow) => skinRow.rule !== row.rule),
        ).map((bar) => bar.rule),
      ).not.toContain(row.rule)
    })
  it('never bars less for a higher grade', () => {
    const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
    fc.assert(
      fc.property(
        fc.constantFrom<AnyReadingId>('redness', 'vessels', 'spots', 'fragility'),
        grade,
        grade,
        (anyReading, one, other) => {
          const count = (grade: Grade) =>
            seen(anyReading, grade).reduce(
              (sum, bar) => sum + bar.families.length * bar.regions.length,
              0,
            )
          expect(count(Math.max(one, other) as Grade)).toBeGreaterThanOrEqual(
            count(Math.min(one, other) as Grade),
          )
        },
      ),
    )
  })
  for (const row of SKIN_LIMIT_ROWS)
    it(`${row.rule} limits as ${row.as} does, and is missed when it is switched off`, () => {
      const dark = deriveProfile(readAll({ ...RESILIENT, pigment: 3 } as never), 40)
      const calm = deriveProfile(readAll(RESILIENT), 40)
      expect(
        withSkin(screen(allNo(), TODAY), dark).limitRules.map((limit) => limit.rule),
      ).toContain(row.rule)
      expect(withSkin(screen(allNo(), TODAY), dark).limit).toEqual(
        screen(allNo({ darkMarks: { say: 'yes' } }), TODAY).limit,
      )
      expect(withSkin(screen(allNo(), TODAY), calm).limitRules).toEqual([])
      expect(
        withSkin(
          screen(allNo(), TODAY),
          dark,
          SKIN_LIMIT_ROWS.filter((skinLimitRow) => skinLimitRow !== row),
        ).limitRules,
      ).toEqual([])
    })
  it('works a skin that marks gently, whether asked or read, and not twice', () => {
    const dark = deriveProfile(readAll(RESILIENT), 40, { burns: 'very rarely', tans: 'deeply' })
    expect(dark.conditions).toContain('marksEasily')
    const read = withSkin(screen(allNo(), TODAY), dark)
    expect(read.limit).toEqual({ steamMost: 5, passesMost: 1, tolerancePercent: 75 })
    const asked = screen(allNo({ darkMarks: { say: 'yes' } }), TODAY)
    expect(withSkin(asked, dark).limit).toEqual(asked.limit)
    expect(
      withSkin(screen(allNo(), TODAY), deriveProfile(readAll(RESILIENT), 40)).limit
        .tolerancePercent,
    ).toBe(100)
  })
  it('bars nothing where nothing was read', () => {
    expect(barsFromSkin(deriveProfile({}))).toEqual([])
    expect(REGION_IDS.length).toBe(12)
  })
})
