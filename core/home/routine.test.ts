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
import { TODAY } from '../testing/fixtures'
import { inputOfPerson, person } from '../testing/randomPeople'
import { isNew, type HomeAsked } from './asked'
import { eveningOf } from './evenings'
import { routineFor, type HomeNight, type HomeQuestion } from './routine'
import { pouredBy } from './wished'
import { ZONE, NOON, homeQuestion, nightsOf } from '../testing/home'

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
    homeQuestion({
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
      { numRuns: process.env.OAK_FULL ? 150 : 75 },
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
      { numRuns: process.env.OAK_FULL ? 150 : 75 },
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
