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
import { planInput, TODAY } from '#core/testing/fixtures'
import { HOUR_MS } from '#core/units'

const WEEKS = 6
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
