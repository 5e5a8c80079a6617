import { describe, expect, it } from 'vitest'
import { NIGHTS, type NightId } from '../catalogue/home/nightRows'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import { addDays } from '../screening/asking/days'
import { screen } from '../screening/verdict/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../testing/fixtures'
import { NOTHING_ASKED, offeredWishes, type HomeWish } from './asked'
import { routineFor, phaseWords } from './routine'
import { homeQuestion, wish, since, nightsOf } from '../testing/home'

describe('written routines (common practice)', () => {
  it('begin a new retinoid with two evenings a week apart, and a third after two weeks', () => {
    const own = nightsOf(homeQuestion({ nights: [wish('retinoid', 3)] }), 'retinoid')
    expect(own.filter((at) => at < 7)).toHaveLength(2)
    expect(own.filter((at) => at < 14)).toHaveLength(4)
    expect(own.filter((at) => at >= 14 && at < 21)).toHaveLength(3)
  })
  it('leave a retinoid off five nights before the next visit, acids and scrubs three', () => {
    const used = { ...since('retinoid', 7), ...since('acid', 3), ...since('scrub', 2) }
    const last = (id: NightId) =>
      nightsOf(homeQuestion({ asked: { uses: used }, nights: [wish(id, 7)] }), id).at(-1)
    expect(last('retinoid')).toBe(22)
    expect(last('acid')).toBeLessThanOrEqual(24)
    expect(last('scrub')).toBeLessThanOrEqual(24)
  })
  it('hold back a week after acid in the room, four weeks after the tip', () => {
    const used = since('acid', 3)
    const after = (done: TechniqueId[], weeks: number) =>
      nightsOf(
        homeQuestion({ asked: { uses: used }, nights: [wish('acid', 2)], done, weeks }),
        'acid',
      )
    expect(after(['acidMask'], 4)[0]).toBe(7)
    expect(after(['tip'], 4)).toEqual([])
    expect(after(['tip'], 6)[0]).toBe(28)
  })
  it('begin mornings with water while the card asks for plain care only, and vitamin C at once after care', () => {
    const from = (done: Parameters<typeof homeQuestion>[0]['done'], id: string) =>
      routineFor(
        homeQuestion({ ...(done ? { done } : {}), vitaminC: true, asked: { steps: 6 } }),
      ).morning.find((line) => line.id === id)?.from
    expect(from(['tip'], 'cleanse')).toBe(addDays(TODAY, 3))
    expect(from(['milk'], 'cleanse')).toBeNull()
    expect(from(['milk'], 'vitaminC')).toBeNull()
  })
  it('begin what may begin, where a new thing wished for before it has no evening at all', () => {
    const both = homeQuestion({ done: ['tip'], nights: [wish('scrub', 1), wish('retinoid', 2)] })
    expect(nightsOf(both, 'scrub')).toEqual([])
    const alone = homeQuestion({ done: ['tip'], nights: [wish('retinoid', 2)] })
    expect(nightsOf(alone, 'retinoid').length).toBeGreaterThan(2)
    expect(nightsOf(both, 'retinoid')).toEqual(nightsOf(alone, 'retinoid'))
    const { short } = routineFor(both)
    expect(short.find(({ id }) => id === 'scrub')?.why.join()).not.toContain('one new thing')
  })
  it('bring new things one at a time, a week apart', () => {
    const own = homeQuestion({
      nights: [wish('acid', 1), wish('scrub', 1), wish('clearingMask', 1)],
    })
    const first = (['acid', 'scrub', 'clearingMask'] as const).map((id) => nightsOf(own, id)[0])
    expect((first[1] ?? 0) - (first[0] ?? 0)).toBeGreaterThanOrEqual(7)
    expect((first[2] ?? 0) - (first[1] ?? 0)).toBeGreaterThanOrEqual(7)
  })
  it('give scrubs every third evening, every other where it is very mild, twice a week at most', () => {
    const gaps = (strength: HomeWish['strength']) => {
      const asked = { uses: since('scrub', 2) }
      const own = nightsOf(homeQuestion({ asked, nights: [wish('scrub', 2, strength)] }), 'scrub')
      return own.slice(1).map((at, place) => at - (own[place] ?? 0))
    }
    expect(Math.min(...gaps('usual'))).toBeGreaterThanOrEqual(3)
    expect(Math.min(...gaps('mild'))).toBeGreaterThanOrEqual(2)
  })
  it('refuse a retinoid where the consultation does, and say so', () => {
    const answers = allNo({ pregnancy: { say: 'yes' } })
    const input = planInput({ answers, verdict: screen(answers, TODAY) })
    const own = homeQuestion({ input, nights: [wish('retinoid', 2)] })
    expect(nightsOf(own, 'retinoid')).toEqual([])
    expect(routineFor(own).short[0]?.why[0]).toMatch(/retinoid/i)
  })
  it('put vitamin C under sun protection, and after the days that keep actives off', () => {
    const own = routineFor(homeQuestion({ vitaminC: true, done: ['tip'], asked: { steps: 2 } }))
    expect(own.morning.at(-1)?.id).toBe('sun')
    const full = routineFor(homeQuestion({ vitaminC: true, done: ['tip'], asked: { steps: 6 } }))
    const ids = full.morning.map(({ id }) => id)
    expect(ids.indexOf('vitaminC')).toBeLessThan(ids.indexOf('cream'))
    expect(full.morning.find(({ id }) => id === 'vitaminC')?.from).toBe(addDays(TODAY, 8))
  })
  it('take two cleanses in the evening under cover, one where none is worn', () => {
    const first = (wearsCover: boolean) =>
      routineFor(homeQuestion({ asked: { wearsCover, steps: 6 } })).evening[0]?.id
    expect(first(true)).toBe('firstCleanse')
    expect(first(false)).toBe('cleanse')
  })
  it('offer what is used and what this skin gains by, never a new acid or retinoid', () => {
    const dry = planInput({
      readings: readAll({ ...RESILIENT, water: 0, oil: 0, congestion: 0 }),
    }).profile
    const offered = offeredWishes({ ...NOTHING_ASKED, uses: since('acid', 5) }, dry)
    expect(offered.nights.map(({ id }) => id)).toEqual(['acid', 'waterMask'])
    expect(offered.nights[0]?.perWeek).toBe(NIGHTS.acid.mostAWeek)
    expect(offeredWishes(NOTHING_ASKED, dry).nights.map(({ id }) => id)).toEqual(['waterMask'])
  })
  it('give only water on the eve of a flight and while away', () => {
    const away = { from: addDays(TODAY, 8), to: addDays(TODAY, 10) }
    const asked = { uses: since('retinoid', 7), away, sunDays: [addDays(TODAY, 6)] }
    const { nights } = routineFor(homeQuestion({ asked, nights: [wish('retinoid', 7)] }))
    for (const at of [5, 8, 9, 10]) expect(nights[at]?.id).toBeNull()
    expect(nights[4]?.id).toBe('retinoid')
    expect(nights[5]?.bland).toContain('water')
  })
  it('have their evenings where nothing is wished for, and no more than six weeks of them', () => {
    const plain = routineFor(homeQuestion({ done: ['tip'] }))
    expect(plain.nights).toHaveLength(28)
    expect(plain.nights.filter(({ bland }) => bland !== null)).toHaveLength(2)
    expect(routineFor(homeQuestion({ weeks: 20 })).nights).toHaveLength(42)
  })
  it('say which month a serum taken a month on, a month off is in', () => {
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 27))).toMatch(/: on until/)
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 28))).toMatch(/: off until/)
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 56))).toMatch(/: on until/)
  })
  it('goes on over the end of a year, a leap day and both changes of the clocks', () => {
    for (const today of ['2027-12-20', '2028-02-20', '2027-03-20', '2027-10-20']) {
      const one = homeQuestion({
        nights: [{ id: 'acid', perWeek: 2, strength: 'usual' }],
        weeks: 4,
      })
      const until = addDays(today, 28)
      const { nights } = routineFor({
        ...one,
        until,
        work: null,
        card: [],
        input: { ...one.input, today },
      })
      expect(nights.map(({ day }) => day)).toEqual(
        Array.from({ length: 28 }, (_, night) =>
          new Date(Date.parse(today) + night * 86_400_000).toISOString().slice(0, 10),
        ),
      )
      expect(nights.filter(({ id }) => id === 'acid').length).toBeGreaterThan(4)
    }
  })
})
