import { STEP_DOWN_ROWS } from '#core/catalogue/skin/stepDown'
import { VISIT_SUMS } from '#core/catalogue/rules/sums'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { REGION_IDS, ZONE_IDS } from '#core/face/zones'
import { halfLifeHours, remainingAt } from '#core/load/ledger'
import { loadOn } from '#core/load/loads'
import { steppedDown } from '#core/load/stepDown'
import { toleranceOf } from '#core/load/tolerance'
import { planAfterStop } from '#core/planning/answer/stopPlan'
import { sumMost } from '#core/planning/checks/sums'
import { mostExfoliations } from '#core/planning/today/limits'
import { addDays } from '#core/screening/asking/days'
import { barsAfterBreakout } from '#core/screening/verdict/breakout'
import { screen } from '#core/screening/verdict/verdict'
import { deriveProfile } from '#core/skin/profile'
import { allNo, planInput, readAll, TODAY } from '#core/testing/fixtures'
import { HOUR_MS, rounded, type Measure } from './measure'
import { person, PLAIN } from './people'

/** What follows for a skin from the rows on how it reads: what it is, bears, and waits for. */
export const OF_THE_SKIN: Readonly<Record<string, Measure>> = {
  'what a skin bears': () =>
    [20, 35, 45, 55, 65, 75, 85].map((age) =>
      ([0, 1, 2, 3, 4] as const).map((grade) =>
        (['sensitivity', 'redness', 'water'] as const).map(
          (reading) =>
            toleranceOf(person({ [reading]: grade }, { age }).profile, 'nose', 90).hundredths,
        ),
      ),
    ),
  'what an unread skin bears': () =>
    toleranceOf(deriveProfile({ nose: { oil: 2 } }, 35), 'nose', 100).hundredths,
  'how it drains': () => [
    [20, 40, 60, 90, undefined].map((age) => rounded(halfLifeHours(age, age === 40))),
    remainingAt([{ at: 0, label: '', loads: { nose: 100 } }], 400 * HOUR_MS, 36).nose,
  ],
  'what each zone bears of the same work': () =>
    REGION_IDS.map((region) =>
      loadOn(region, TECHNIQUES.enzyme, { handsMinutes: 1, dwellMinutes: 9, passes: 0 }, 125),
    ),
  'what skin it is': () =>
    ([0, 1, 2, 3, 4] as const).map((tZone) =>
      ([0, 1, 2, 3, 4] as const).map((cheeks) => {
        const other = { ...PLAIN, oil: cheeks }
        const more = { forehead: { ...PLAIN, oil: tZone }, nose: { ...PLAIN, oil: tZone } }
        return deriveProfile(readAll(other, more), 35).type
      }),
    ),
  // From zone to zone one grade more or less: the means come close to every bound.
  'what skin it becomes': () =>
    ([4, 3, 1, 0] as const).map((oil) =>
      ZONE_IDS.map((_, many) => {
        const changed = ZONE_IDS.slice(0, many).map((zone) => [zone, { ...PLAIN, oil }])
        return deriveProfile({ ...readAll(PLAIN), ...Object.fromEntries(changed) }, 35).type
      }).join('/'),
    ),
  'what else is said of it': () =>
    ([0, 1, 2, 3, 4] as const).flatMap((grade) =>
      (['water', 'sensitivity', 'redness', 'congestion', 'pigment'] as const).map((reading) =>
        deriveProfile(readAll({ ...PLAIN, [reading]: grade }), 60 + grade - 2).conditions.join('/'),
      ),
    ),
  'how many exfoliations it bears': () =>
    [undefined, 18, 40, 59, 60, 75].map((age) =>
      ([0, 1, 2] as const).map((grade) =>
        (['sensitivity', 'redness'] as const).map((reading) => {
          const readings = readAll({ ...PLAIN, [reading]: grade } as never)
          return mostExfoliations(planInput({ readings, ...(age === undefined ? {} : { age }) }))
        }),
      ),
    ),
  'after a stop': () =>
    planAfterStop(person({}, { daylight: true }), []).map(
      ({ technique, minutes: took, regions }) => `${technique} ${took} ${regions.length}`,
    ),
  'after a breakout': () =>
    ([2, 3, 4] as const).flatMap((spots) =>
      [0, 13, 14, 27, 28, 40].map((days) =>
        barsAfterBreakout(
          { day: addDays(TODAY, -days), zones: readAll({ ...PLAIN, spots }) },
          TODAY,
        )
          .map(({ rule, until }) => `${rule} ${until ?? ''}`)
          .join(),
      ),
    ),
  'one rung down': () =>
    STEP_DOWN_ROWS.map((row) =>
      Object.values(steppedDown(screen(allNo(), TODAY), [row]).limit).join('/'),
    ),
  'what a visit may add up to': () =>
    VISIT_SUMS.map((row) => [row.id, sumMost(row, person())].join(' ')),
}
