import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOME_STEP_COUNTS } from '../catalogue/home/homeSteps'
import { HOME_SINCE_IDS } from '../catalogue/home/homeWords'
import { HOME_STRENGTH_IDS, NIGHT_IDS, NIGHTS, type NightId } from '../catalogue/home/nightRows'
import { HOME_REGIONS } from '../catalogue/consultation/home'
import { aftercareCard } from '../aftercare/card'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { halfLifeHours, remainingAt, type Poured } from '../load/ledger'
import { toleranceOf } from '../load/tolerance'
import { addDays, daysBetween, weekdayOf } from '../screening/asking/days'
import { screen } from '../screening/verdict/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../testing/fixtures'
import { inputOfPerson, person } from '../testing/randomPeople'
import { isNew, NOTHING_ASKED, offeredWishes, type HomeAsked, type HomeWish } from './asked'
import { eveningOf } from './evenings'
import { routineFor, phaseWords, type HomeNight, type HomeQuestion } from './routine'
import { pouredBy } from './wished'

const ZONE = 'Europe/Oslo'
const NOON = Date.parse(`${TODAY}T12:00:00Z`)

/** A question of home after a visit in which this was done. */
function question(more: {
  asked?: Partial<HomeAsked>
  nights?: HomeWish[]
  vitaminC?: boolean
  done?: TechniqueId[]
  input?: HomeQuestion['input']
  weeks?: number
  poured?: Poured[]
}): HomeQuestion {
  const { done = [], input = planInput(), weeks = 4 } = more
  const card = aftercareCard(done, false, NOON)
  return {
    asked: { ...NOTHING_ASKED, ...more.asked },
    wishes: { nights: more.nights ?? [], vitaminC: more.vitaminC ?? false, named: {} },
    input,
    until: addDays(TODAY, weeks * 7),
    timeZone: ZONE,
    card,
    work: {
      day: TODAY,
      families: done.flatMap((technique) => TECHNIQUES[technique].families),
      regions: HOME_REGIONS,
    },
    poured: more.poured ?? [],
  }
}
const wish = (id: NightId, perWeek: number, strength: HomeWish['strength'] = 'usual') => ({
  ...{ id, perWeek, strength },
})
const since = (id: NightId, perWeek: number) => ({
  [id]: { perWeek, strength: 'usual', since: 'months' } as const,
})
const nightsOf = (asked: HomeQuestion, id: NightId): number[] =>
  routineFor(asked).nights.flatMap((night, at) => (night.id === id ? [at] : []))

const asked = fc.record({
  steps: fc.constantFrom(...HOME_STEP_COUNTS),
  wearsCover: fc.boolean(),
  uses: fc.dictionary(
    fc.constantFrom(...NIGHT_IDS),
    fc.record({
      perWeek: fc.integer({ min: 0, max: 7 }),
      strength: fc.constantFrom(...HOME_STRENGTH_IDS),
      since: fc.constantFrom(...HOME_SINCE_IDS),
    }),
  ),
  oilAtHome: fc.boolean(),
  packs: fc.constant({}),
  vitaminC: fc.boolean(),
  usesNow: fc.constant(''),
  shaves: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 3 }),
  away: fc.option(fc.constant({ from: addDays(TODAY, 9), to: addDays(TODAY, 12) })),
  sunDays: fc.array(
    fc.integer({ min: 1, max: 30 }).map((days) => addDays(TODAY, days)),
    { maxLength: 3 },
  ),
  outdoors: fc.boolean(),
  phased: fc.constant(null),
}) satisfies fc.Arbitrary<HomeAsked>
const wishes = fc.uniqueArray(
  fc.record({
    id: fc.constantFrom(...NIGHT_IDS),
    perWeek: fc.integer({ min: 1, max: 4 }),
    strength: fc.constantFrom(...HOME_STRENGTH_IDS),
  }),
  { selector: ({ id }) => id, maxLength: 4 },
)
const DONE: readonly TechniqueId[] = ['milk', 'enzyme', 'acidMask', 'tip', 'grain', 'clay']
const random = fc
  .record({
    person,
    asked,
    wishes,
    vitaminC: fc.boolean(),
    done: fc.subarray([...DONE], { maxLength: 2 }),
    weeks: fc.constantFrom(1, 2, 4),
    load: fc.integer({ min: 0, max: 300 }),
  })
  .map((one) =>
    question({
      ...{ asked: one.asked, nights: one.wishes, vitaminC: one.vitaminC, done: one.done },
      ...{ weeks: one.weeks, input: inputOfPerson(one.person) },
      poured: [
        {
          at: NOON,
          label: 'today',
          loads: Object.fromEntries(HOME_REGIONS.map((region) => [region, one.load])),
        },
      ],
    }),
  )

describe('a routine for anybody', () => {
  it('keeps every rule of home', () => {
    fc.assert(
      fc.property(random, (own) => {
        const { morning, evening, byNight, nights } = routineFor(own)
        // By day the skin is protected, last of all, whatever else is left out.
        expect(morning.at(-1)?.id).toBe('sun')
        expect(morning.length).toBeLessThanOrEqual(own.asked.steps)
        expect(evening.length).toBeLessThanOrEqual(own.asked.steps)
        expect(morning.map(({ id }) => id)).not.toContain('oil')
        for (const lines of Object.values(byNight))
          expect(lines.map(({ id }) => id)).toContain('cream')
        nights.forEach(({ day, id, bland }, at) => {
          if (bland !== null) expect(id).toBeNull()
          if (id === null) return
          const row = NIGHTS[id]
          const moment = eveningOf(day, ZONE)
          // What the card forbids is not written down beside it.
          for (const line of own.card.filter(({ until }) => moment < until)) {
            if (id === 'acid') expect(line.sentence).not.toMatch(/No .*(acid|peel)/)
            if (id === 'scrub') expect(line.sentence).not.toMatch(/No scrub/)
            if (id === 'retinoid') expect(line.sentence).not.toMatch(/No .*retinoid|only your calm/)
            expect(line.sentence).not.toMatch(/nothing more on it|Only cool water/)
          }
          if (row.takesOff || row.finding) {
            expect(daysBetween(day, own.until)).toBeGreaterThan(3)
            expect(own.asked.shaves).not.toContain(weekdayOf(day))
            expect(own.asked.sunDays).not.toContain(addDays(day, 1))
          }
          if (!row.takesOff) return
          const before = nights[at - 1]?.id
          if (before) expect(NIGHTS[before].takesOff).toBe(false)
        })
      }),
      { numRuns: 150 },
    )
  })
  it('never asks more of the skin than it tolerates, the salon counted', () => {
    fc.assert(
      fc.property(random, (own) => {
        const { profile, verdict } = own.input
        const half = halfLifeHours(profile.age, profile.conditions.includes('dehydrated'))
        const home: Poured[] = []
        for (const { day, id } of routineFor(own).nights) {
          const wished = own.wishes.nights.find((one) => one.id === id)
          if (!wished || pouredBy(wished) === 0) continue
          const at = eveningOf(day, ZONE)
          const loads = Object.fromEntries(HOME_REGIONS.map((region) => [region, pouredBy(wished)]))
          home.push({ at, label: '', loads })
          const left = remainingAt([...own.poured, ...home], at, half)
          for (const region of HOME_REGIONS)
            expect(left[region]).toBeLessThanOrEqual(
              toleranceOf(profile, region, verdict.limit.tolerancePercent).hundredths + 1,
            )
        }
      }),
      { numRuns: 150 },
    )
  })
  it('gives no more of anything after more was done in the room', () => {
    fc.assert(
      fc.property(random, fc.constantFrom(...DONE), (own, more) => {
        const families = [...(own.work?.families ?? []), ...TECHNIQUES[more].families]
        const harder = {
          ...own,
          card: [...own.card, ...aftercareCard([more], false, NOON)],
          work: { day: TODAY, families, regions: HOME_REGIONS },
        }
        // What matters most first: the first that is off more often frees no evening for itself.
        const [first] = own.wishes.nights
        if (!first || isNew(own.asked, first.id)) return
        expect(nightsOf(harder, first.id).length).toBeLessThanOrEqual(
          nightsOf(own, first.id).length,
        )
      }),
      { numRuns: 60 },
    )
  })
  it('takes no more off at home than the practice lets, and less where it lets less', () => {
    const takesOff = (night: { id: NightId | null }) =>
      night.id !== null && NIGHTS[night.id].takesOff
    const by = (one: HomeQuestion, camp: string) =>
      routineFor({
        ...one,
        input: { ...one.input, policy: { camps: { homeRhythm: camp }, without: [] } },
      }).nights
    fc.assert(
      fc.property(random, (one) => {
        const [load, thirds, weekly, none] = ['byLoad', 'thirds', 'weekly', 'none'].map((camp) =>
          by(one, camp),
        ) as [HomeNight[], HomeNight[], HomeNight[], HomeNight[]]
        const often = [load, thirds, weekly].map((nights) => nights.filter(takesOff).length)
        expect(often).toEqual(often.toSorted((one, other) => other - one))
        for (const [nights, apart] of [
          [thirds, 3],
          [weekly, 7],
        ] as const)
          nights.forEach((night, at) => {
            if (!takesOff(night)) return
            expect(nights.slice(at + 1, at + apart).some(takesOff)).toBe(false)
          })
        expect(none.some(({ id }) => id === 'acid' || id === 'scrub')).toBe(false)
      }),
      { numRuns: 60 },
    )
  })
  it('goes on over the end of a year, a leap day and both changes of the clocks', () => {
    for (const today of ['2027-12-20', '2028-02-20', '2027-03-20', '2027-10-20']) {
      const one = question({ nights: [{ id: 'acid', perWeek: 2, strength: 'usual' }], weeks: 4 })
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
  it('says why of each wish that has fewer evenings than it asked for', () => {
    fc.assert(
      fc.property(random, (own) => {
        for (const { why, got, wanted } of routineFor(own).short) {
          expect(why.join('').length).toBeGreaterThan(5)
          if (wanted > 0) expect(got).toBeLessThan(wanted)
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('written routines (common practice)', () => {
  it('begin a new retinoid with two evenings a week apart, and a third after two weeks', () => {
    const own = nightsOf(question({ nights: [wish('retinoid', 3)] }), 'retinoid')
    expect(own.filter((at) => at < 7)).toHaveLength(2)
    expect(own.filter((at) => at < 14)).toHaveLength(4)
    expect(own.filter((at) => at >= 14 && at < 21)).toHaveLength(3)
  })
  it('leave a retinoid off five nights before the next visit, acids and scrubs three', () => {
    const used = { ...since('retinoid', 7), ...since('acid', 3), ...since('scrub', 2) }
    const last = (id: NightId) =>
      nightsOf(question({ asked: { uses: used }, nights: [wish(id, 7)] }), id).at(-1)
    expect(last('retinoid')).toBe(22)
    expect(last('acid')).toBeLessThanOrEqual(24)
    expect(last('scrub')).toBeLessThanOrEqual(24)
  })
  it('hold back a week after acid in the room, four weeks after the tip', () => {
    const used = since('acid', 3)
    const after = (done: TechniqueId[], weeks: number) =>
      nightsOf(question({ asked: { uses: used }, nights: [wish('acid', 2)], done, weeks }), 'acid')
    expect(after(['acidMask'], 4)[0]).toBe(7)
    expect(after(['tip'], 4)).toEqual([])
    expect(after(['tip'], 6)[0]).toBe(28)
  })
  it('bring new things one at a time, a week apart', () => {
    const own = question({ nights: [wish('acid', 1), wish('scrub', 1), wish('clearingMask', 1)] })
    const first = (['acid', 'scrub', 'clearingMask'] as const).map((id) => nightsOf(own, id)[0])
    expect((first[1] ?? 0) - (first[0] ?? 0)).toBeGreaterThanOrEqual(7)
    expect((first[2] ?? 0) - (first[1] ?? 0)).toBeGreaterThanOrEqual(7)
  })
  it('give scrubs every third evening, every other where it is very mild, twice a week at most', () => {
    const gaps = (strength: HomeWish['strength']) => {
      const asked = { uses: since('scrub', 2) }
      const own = nightsOf(question({ asked, nights: [wish('scrub', 2, strength)] }), 'scrub')
      return own.slice(1).map((at, place) => at - (own[place] ?? 0))
    }
    expect(Math.min(...gaps('usual'))).toBeGreaterThanOrEqual(3)
    expect(Math.min(...gaps('mild'))).toBeGreaterThanOrEqual(2)
  })
  it('refuse a retinoid where the consultation does, and say so', () => {
    const answers = allNo({ pregnancy: { say: 'yes' } })
    const input = planInput({ answers, verdict: screen(answers, TODAY) })
    const own = question({ input, nights: [wish('retinoid', 2)] })
    expect(nightsOf(own, 'retinoid')).toEqual([])
    expect(routineFor(own).short[0]?.why[0]).toMatch(/retinoid/i)
  })
  it('put vitamin C under sun protection, and after the days that keep actives off', () => {
    const own = routineFor(question({ vitaminC: true, done: ['tip'], asked: { steps: 2 } }))
    expect(own.morning.at(-1)?.id).toBe('sun')
    const full = routineFor(question({ vitaminC: true, done: ['tip'], asked: { steps: 6 } }))
    const ids = full.morning.map(({ id }) => id)
    expect(ids.indexOf('vitaminC')).toBeLessThan(ids.indexOf('cream'))
    expect(full.morning.find(({ id }) => id === 'vitaminC')?.from).toBe(addDays(TODAY, 8))
  })
  it('take two cleanses in the evening under cover, one where none is worn', () => {
    const first = (wearsCover: boolean) =>
      routineFor(question({ asked: { wearsCover, steps: 6 } })).evening[0]?.id
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
    const { nights } = routineFor(question({ asked, nights: [wish('retinoid', 7)] }))
    for (const at of [5, 8, 9, 10]) expect(nights[at]?.id).toBeNull()
    expect(nights[4]?.id).toBe('retinoid')
    expect(nights[5]?.bland).toContain('water')
  })
  it('have their evenings where nothing is wished for, and no more than six weeks of them', () => {
    const plain = routineFor(question({ done: ['tip'] }))
    expect(plain.nights).toHaveLength(28)
    expect(plain.nights.filter(({ bland }) => bland !== null)).toHaveLength(2)
    expect(routineFor(question({ weeks: 20 })).nights).toHaveLength(42)
  })
  it('say which month a serum taken a month on, a month off is in', () => {
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 27))).toMatch(/: on until/)
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 28))).toMatch(/: off until/)
    expect(phaseWords({ name: 'Serum', since: TODAY }, addDays(TODAY, 56))).toMatch(/: on until/)
  })
})
