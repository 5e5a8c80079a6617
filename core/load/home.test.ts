import { visitBundle } from '../testing/bundle'
import { toPlanInput } from '../visit/planInput'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { allNo, TODAY } from '../testing/fixtures'
import { addDays } from '../screening/asking/days'
import { habitsAtHome, pouredAtHome } from './home'
import { halfLifeHours, remainingAt } from './ledger'

const noon = Date.parse(`${TODAY}T12:00:00Z`)
const left = (perWeek?: number, ago = 1) =>
  remainingAt(
    pouredAtHome(
      allNo({
        retinoid: {
          say: 'yes',
          date: addDays(TODAY, -ago),
          ...(perWeek === undefined ? {} : { perWeek }),
        },
      }),
      TODAY,
      'UTC',
    ),
    noon,
    halfLifeHours(30, false),
  )

describe('what is used at home', () => {
  it('pours into the basins of the face, at the rhythm that was named', () => {
    expect(pouredAtHome(allNo(), TODAY, 'UTC')).toEqual([])
    expect(
      pouredAtHome(
        allNo({ homeAcid: { say: 'yes', date: addDays(TODAY, -2), perWeek: 7 } }),
        TODAY,
        'UTC',
      ),
    ).toHaveLength(28)
    expect(pouredAtHome(allNo({ homeAcid: { say: 'unsure' } }), TODAY, 'UTC')).toHaveLength(1)
    expect(left().forehead).toBeGreaterThan(0)
    expect(left().decollete).toBe(0)
  })
  it('of today counts today, from before the visit', () => {
    const morning = Date.parse(`${TODAY}T08:00:00Z`)
    const told = allNo({ homeAcid: { say: 'yes', date: TODAY } })
    const poured = pouredAtHome(told, TODAY, 'UTC', { until: morning })
    expect(poured.map((one) => one.at)).toEqual([morning])
    const tomorrow = allNo({ homeAcid: { say: 'yes', date: addDays(TODAY, 1) } })
    expect(pouredAtHome(tomorrow, TODAY, 'UTC', { until: morning })[0]?.at).toBeLessThan(morning)
    const startsAt = morning
    const { visit } = visitBundle()
    const before = toPlanInput(visitBundle({ visit: { ...visit, startsAt } })).residual.nose
    const after = toPlanInput(visitBundle({ answers: told, visit: { ...visit, startsAt } }))
    expect(after.residual.nose).toBeGreaterThan(before)
  })
  it('names as a habit only what has a rhythm', () => {
    expect(
      habitsAtHome(allNo({ homeAcid: { say: 'yes', perWeek: 3 }, retinoid: { say: 'yes' } })),
    ).toEqual(['acid at home'])
    expect(habitsAtHome(allNo())).toEqual([])
  })
  it('goes on between visits at its rhythm, up to last night and no further; what has no rhythm does not', () => {
    const told = allNo({
      homeAcid: { say: 'yes', date: addDays(TODAY, -30), perWeek: 3.5 },
      retinoid: { say: 'yes', date: addDays(TODAY, -30) },
    })
    const days = (goesOn: boolean, label: string) =>
      pouredAtHome(told, TODAY, 'UTC', { goesOn })
        .filter((poured) => poured.label === label)
        .map((poured) => new Date(poured.at).toISOString().slice(0, 10))
        .sort()
    const acid =
      pouredAtHome(allNo({ homeAcid: { say: 'yes', perWeek: 7 } }), TODAY, 'UTC')[0]?.label ?? ''
    expect(days(false, acid).at(-1)).toBe(addDays(TODAY, -30))
    expect(days(true, acid).at(-1)).toBe(addDays(TODAY, -2))
    expect(days(true, acid).length).toBe(days(false, acid).length + 14)
    const other =
      pouredAtHome(told, TODAY, 'UTC')
        .map((poured) => poured.label)
        .find((home) => home !== acid) ?? ''
    expect(days(true, other)).toEqual(days(false, other))
  })
  it('never leaves less for more evenings a week, nor for a nearer one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 14 }),
        fc.integer({ min: 1, max: 14 }),
        fc.integer({ min: 1, max: 6 }),
        (one, other, ago) => {
          const [few, many] = [Math.min(one, other), Math.max(one, other)]
          expect(left(many, ago).nose).toBeGreaterThanOrEqual(left(few, ago).nose)
          expect(left(few, ago).nose).toBeGreaterThanOrEqual(left(few, ago + 1).nose)
        },
      ),
    )
  })
})

describe('how strong it is', () => {
  it('pours more the stronger it is, and the usual where nothing is said', () => {
    const poured = (strength?: 'mild' | 'usual' | 'strong') =>
      pouredAtHome(
        allNo({
          homeAcid: { say: 'yes', date: TODAY, ...(strength === undefined ? {} : { strength }) },
        }),
        TODAY,
        'UTC',
      )[0]?.loads.chin ?? 0
    expect(poured('mild')).toBeLessThan(poured('usual'))
    expect(poured('usual')).toBeLessThan(poured('strong'))
    expect(poured()).toBe(poured('usual'))
  })
})

describe('a rhythm that was told', () => {
  it('is a habit only from once a week on; unsaid it is one evening, said it is all of four weeks', () => {
    const told = (perWeek?: number) =>
      allNo({
        homeAcid: { say: 'yes', date: TODAY, ...(perWeek === undefined ? {} : { perWeek }) },
      })
    expect(habitsAtHome(told(0))).toEqual([])
    expect(habitsAtHome(told())).toEqual([])
    expect(habitsAtHome(told(1))).toHaveLength(1)
    expect(pouredAtHome(told(), TODAY, 'UTC')).toHaveLength(1)
    expect(pouredAtHome(told(1), TODAY, 'UTC')).toHaveLength(4)
    // Between visits it goes on to last night; without a rhythm nothing goes on.
    const earlier = (perWeek?: number) =>
      allNo({
        homeAcid: {
          say: 'yes',
          date: addDays(TODAY, -10),
          ...(perWeek === undefined ? {} : { perWeek }),
        },
      })
    expect(pouredAtHome(earlier(), TODAY, 'UTC', { goesOn: true })).toHaveLength(1)
    expect(pouredAtHome(earlier(7), TODAY, 'UTC', { goesOn: true })).toHaveLength(28 + 9)
    expect(pouredAtHome(earlier(7), TODAY, 'UTC')).toHaveLength(28)
    // Told last night: nothing has gone on since.
    const lastNight = allNo({
      homeAcid: { say: 'yes', date: addDays(TODAY, -1), perWeek: 7 },
    })
    expect(pouredAtHome(lastNight, TODAY, 'UTC', { goesOn: true })).toHaveLength(28)
  })
})
