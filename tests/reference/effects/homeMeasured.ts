import { adherenceOf } from '#core/home/adherence'
import { forecastOf } from '#core/aftercare/forecast'
import { outcomeOf } from '#core/aftercare/grading'
import { HOME_REGIONS } from '#core/catalogue/consultation/home'
import { HOME_STEPS, LAYER_WAITS } from '#core/catalogue/home/homeSteps'
import { NIGHT_IDS } from '#core/catalogue/home/nightRows'
import { FORECASTS } from '#core/catalogue/rules/forecast'
import { SIGNS } from '#core/catalogue/rules/grading'
import { NOTHING_ASKED } from '#core/home/asked'
import { layered, waitBetween } from '#core/surface/layering'
import { routineFor } from '#core/home/routine'
import { addDays } from '#core/screening/asking/days'
import { planInput, readAll, RESILIENT, TODAY } from '#core/testing/fixtures'
import type { Grade } from '#core/skin/readings'
import { HOUR_MS } from '#core/units'

const WEEKS = 6
const each = <T>(count: number, of: (at: number) => T): T[] =>
  Array.from({ length: count }, (_, at) => of(at))

/** What one sign alone gives: evenings told, a pack that is full after days, zones that changed. */
function keptBy(more: {
  told?: number
  days?: number
  zones?: number
  grades?: number
  reading?: 'water' | 'congestion' | 'redness'
}): string {
  const { told, days, zones = 0, grades = 0, reading = 'water' } = more
  const line = { ...HOME_STEPS.cream, product: null, wait: null, from: null }
  const from = addDays(TODAY, -(days ?? 10))
  const id = told === undefined ? null : 'homeAcid'
  const skin = (by: number) =>
    Object.fromEntries(
      Object.entries(readAll({ ...RESILIENT, [reading]: (2 + by) as Grade })).slice(0, zones),
    )
  return adherenceOf({
    routine: {
      ...{ from, until: TODAY, morning: [line], evening: [], byNight: {} },
      nights: each(10, (at) => ({ day: addDays(from, at), id: id && 'acid', bland: null })),
      ...{ short: [], left: [], notes: [] },
    },
    today: TODAY,
    answers: id && told !== undefined ? { [id]: { say: 'yes', perWeek: told } } : {},
    packs: days === undefined ? {} : { cream: 'full' },
    packMillilitres: { cream: 50 },
    water: null,
    skin: { before: skin(0), now: skin(grades) },
  }).level
}
/** What shows whether a routine is kept, one sign at a time. */
const keptMeasured = (): Record<string, () => unknown> => ({
  'is it kept: evenings': () => each(141, (told) => keptBy({ told: told / 20 })),
  'is it kept: packs': () => each(61, (days) => keptBy({ days })),
  'is it kept: skin': () =>
    (['water', 'congestion', 'redness'] as const).map((reading) =>
      each(5, (zones) => each(5, (grades) => keptBy({ zones, grades: grades - 2, reading }))),
    ),
})

/** Each answer from home while it is foreseen, and where it is not. */
const signsMeasured = (): Record<string, () => unknown> => ({
  ...Object.fromEntries(
    SIGNS.map((sign) => [
      `sign ${sign.id}`,
      () =>
        sign.choices.map(({ value }) => [
          outcomeOf({ [sign.id]: value }, sign.allows),
          outcomeOf({ [sign.id]: value }, []),
        ]),
    ]),
  ),
})

/** What of home and of the days after a visit a changed row would move. */
export const homeMeasured = (): Record<string, () => unknown> => ({
  ...Object.fromEntries(
    NIGHT_IDS.flatMap((id) =>
      (['new', 'months'] as const).map((since) => [
        `night ${id} ${since}`,
        () => {
          const uses = { [id]: { perWeek: 7, strength: 'usual' as const, since } }
          const { nights } = routineFor({
            asked: { ...NOTHING_ASKED, uses },
            wishes: {
              nights: [{ id, perWeek: 7, strength: 'mild' }],
              vitaminC: false,
              named: {},
            },
            input: planInput(),
            until: addDays(TODAY, WEEKS * 7),
            timeZone: 'Europe/Oslo',
            card: [],
            work: { day: TODAY, families: ['friction'], regions: HOME_REGIONS },
            poured: [],
          })
          return nights.flatMap((night, at) => (night.id === id ? [at] : []))
        },
      ]),
    ),
  ),
  ...keptMeasured(),
  'layers at home': () => layered(Object.values(HOME_STEPS)).map(({ id }) => id),
  ...Object.fromEntries(
    LAYER_WAITS.map((row) => [
      `wait ${row.id}`,
      () =>
        row.under.flatMap((under) =>
          row.over.map((over) => `${under} ${over} ${waitBetween(under, over)?.minutes ?? 0}`),
        ),
    ]),
  ),
  ...Object.fromEntries(
    FORECASTS.map((row) => [
      `may come ${row.id}`,
      () => {
        const families = row.after === 'stopped' ? [] : [...row.after]
        const lines = (own: 'reactive' | 'mature') =>
          forecastOf([{ families, regions: ['chin'] }], row.after === 'stopped', [own], 0)
            .filter(({ rule }) => rule === row.id)
            .map(({ from, until }) => [from / HOUR_MS, until / HOUR_MS])
        return [lines('mature'), lines('reactive')]
      },
    ]),
  ),
  ...signsMeasured(),
})
