import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PACK_LEFT_IDS, type KeptLevel } from '../catalogue/rules/adherence'
import { allNo, readAll, RESILIENT, TODAY } from '../testing/fixtures'
import { visitBundle } from '../testing/bundle'
import { addDays } from '../screening/asking/days'
import { waterForecast } from '../treatment/step/water'
import { waterExpected } from '../visit/waterExpected'
import { adherenceOf, packExpected, type AdherenceSource } from './adherence'
import { NOTHING_ASKED } from './asked'
import type { HomeRoutine } from './routine'

const DAYS = 28
const line = (id: 'serum' | 'cream', product: string) => ({
  ...{ id, name: id, product, amount: '', how: '', why: '', wait: null, from: null },
})
/** Four weeks of a routine: acid every third evening, a serum twice a day, a cream in the morning. */
const routine: HomeRoutine = {
  from: addDays(TODAY, -DAYS),
  until: TODAY,
  morning: [line('serum', 'Serum'), line('cream', 'Cream')],
  evening: [line('serum', 'Serum')],
  byNight: {},
  nights: Array.from({ length: DAYS }, (_, night) => ({
    day: addDays(TODAY, night - DAYS),
    id: night % 3 === 0 ? 'acid' : null,
    bland: null,
  })),
  short: [],
  left: [],
  notes: [],
}
const NOTHING: AdherenceSource = {
  routine: null,
  today: TODAY,
  answers: {},
  packs: {},
  packMillilitres: {},
  water: null,
  skin: null,
}
const source = (more: Partial<AdherenceSource>): AdherenceSource => ({ ...NOTHING, ...more })
const level = (more: Partial<AdherenceSource>) => adherenceOf(source(more)).level
const RANK: Record<Exclude<KeptLevel, 'unknown'>, number> = { not: 0, partly: 1, likely: 2 }
const rank = (own: KeptLevel): number => (own === 'unknown' ? Number.NaN : RANK[own])
const acid = (perWeek: number | 'no') =>
  allNo(perWeek === 'no' ? {} : { homeAcid: { say: 'yes', perWeek } })

describe('how a routine is kept', () => {
  it('says nothing where nothing is known', () => {
    expect(adherenceOf(NOTHING)).toEqual({ level: 'unknown', signs: [] })
    // A week has not gone by: too early to say.
    expect(level({ routine: { ...routine, from: addDays(TODAY, -3) }, answers: acid(1) })).toBe(
      'unknown',
    )
  })
  it('is likely where all speaks for it, not where all speaks against it, partly between', () => {
    const many = { count: 20, forecast: waterForecast(3, true) }
    const few = { count: 2, forecast: waterForecast(3, true) }
    expect(level({ water: few })).toBe('likely')
    expect(level({ water: many })).toBe('not')
    expect(level({ water: many, routine, answers: acid(2) })).toBe('partly')
    expect(level({ routine, answers: acid('no') })).toBe('not')
    expect(level({ routine, answers: { homeAcid: { say: 'unsure' } } })).toBe('unknown')
  })
  it('never gets better by more water, nor by a pack that is fuller, nor by fewer evenings', () => {
    const waters = fc.option(fc.integer({ min: 0, max: 30 }), { nil: undefined })
    const evenings = fc.integer({ min: 1, max: 7 })
    const left = fc.constantFrom(...PACK_LEFT_IDS)
    fc.assert(
      fc.property(
        waters,
        evenings,
        left,
        fc.integer({ min: 1, max: 6 }),
        (count, perWeek, serum, more) => {
          const forecast = waterForecast(3, true)
          const at = (waterCount: number | undefined, often: number, pack: typeof serum) =>
            rank(
              level({
                routine,
                answers: acid(often),
                packs: { serum: pack },
                packMillilitres: { serum: 10 },
                water: waterCount === undefined ? null : { count: waterCount, forecast },
              }),
            )
          const now = at(count, perWeek, serum)
          if (count !== undefined) expect(at(count + more, perWeek, serum)).toBeLessThanOrEqual(now)
          const fuller = PACK_LEFT_IDS[PACK_LEFT_IDS.indexOf(serum) - 1]
          if (fuller) expect(at(count, perWeek, fuller)).toBeLessThanOrEqual(now)
          // From saying no to as many as were written, never worse.
          expect(at(count, Math.min(7, perWeek + more), serum)).toBeGreaterThanOrEqual(now)
        },
      ),
    )
  })
  it('goes by what a pack should have lost: times a day, days, and the size of the pack', () => {
    // Three drops twice a day for four weeks: 0.15 mL × 2 × 28 = 8.4 of 30 mL (common practice).
    const known = { routine, today: TODAY, packMillilitres: { serum: 30, cream: 30 } }
    expect(packExpected('serum', known)).toBeCloseTo(100 - (8.4 / 30) * 100, 6)
    // A pea once a day: 0.3 mL × 28 of the same pack.
    expect(packExpected('cream', known)).toBeCloseTo(100 - (8.4 / 30) * 100, 6)
    expect(packExpected('oil', known)).toBeUndefined()
    const full = { routine, packs: { serum: 'full' as const }, packMillilitres: { serum: 10 } }
    expect(level(full)).toBe('not')
    expect(level({ ...full, packs: { serum: 'empty' } })).toBe('likely')
    // Hardly anything should be gone: a full pack says nothing.
    expect(level({ ...full, packMillilitres: { serum: 500 } })).toBe('unknown')
  })
  it('takes one grade for noise and a change in one zone for chance', () => {
    const before = readAll({ ...RESILIENT, water: 1 })
    expect(level({ skin: { before, now: readAll({ ...RESILIENT, water: 2 }) } })).toBe('unknown')
    expect(level({ skin: { before, now: readAll({ ...RESILIENT, water: 3 }) } })).toBe('likely')
    expect(level({ skin: { before: readAll({ ...RESILIENT, water: 3 }), now: before } })).toBe(
      'not',
    )
    expect(level({ skin: { before, now: { ...before, nose: { water: 4 } } } })).toBe('unknown')
  })
  it('accuses nobody', () => {
    const { signs } = adherenceOf(
      source({
        routine,
        answers: acid('no'),
        packs: { serum: 'full' },
        packMillilitres: { serum: 10 },
        water: { count: 20, forecast: waterForecast(3, true) },
        skin: {
          before: readAll({ ...RESILIENT, water: 3 }),
          now: readAll({ ...RESILIENT, water: 1 }),
        },
      }),
    )
    expect(signs).toHaveLength(4)
    for (const { say } of signs)
      expect(say).not.toMatch(/\byou\b|fail|forgot|lazy|should have|must/i)
  })
})

describe('water additions', () => {
  it('are expected fewer only where the day is taken off at home as it is here', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 7 }),
        fc.constantFrom('retinoid' as const, 'homeAcid' as const, 'homeScrub' as const),
        (perWeek, finding) => {
          const plain = waterExpected(visitBundle())
          const strong = waterExpected(
            visitBundle({ answers: allNo({ [finding]: { say: 'yes', perWeek } }) }),
          )
          expect(strong).toEqual(plain)
        },
      ),
    )
    const oil = visitBundle({ homeAsked: { ...NOTHING_ASKED, oilAtHome: true } })
    expect(waterExpected(oil).most).toBeLessThan(waterExpected(visitBundle()).most)
  })
})
