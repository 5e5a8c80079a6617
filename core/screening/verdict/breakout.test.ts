import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BREAKOUT_ROWS } from '../../catalogue/skin/breakout'
import { GROUPS } from '../../face/regions'
import { ZONE_IDS, ZONES, type RegionId, type ZoneId } from '../../face/zones'
import { REGION_IDS } from '../../face/zones'
import { allowances } from '../../planning/today/allowed'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { deriveProfile } from '../../skin/profile'
import type { Grade } from '../../skin/readings'
import { barsAfterBreakout, barsFromBreakout } from './breakout'

const DULL = { ...RESILIENT, dullness: 4, texture: 3, congestion: 3 } as const
/** The same spots in the first so many regions, none elsewhere. */
const spotted = (grade: Grade, regions: number) => {
  const within: readonly RegionId[] = GROUPS.faceNoEyes.slice(0, regions)
  const there: ZoneId[] = ZONE_IDS.filter((zone) =>
    ZONES[zone].regions.every((region) => within.includes(region)),
  )
  return readAll(
    { ...DULL, spots: 0 },
    Object.fromEntries(there.map((zone) => [zone, { ...DULL, spots: grade }])),
  )
}
const rulesOf = (grade: Grade, regions: number) =>
  barsFromBreakout(deriveProfile(spotted(grade, regions))).map((bar) => bar.rule)

describe('a breakout by its severity', () => {
  it('is met on its spots, gently over the face, or left to a doctor', () => {
    expect(rulesOf(2, 9)).toEqual([])
    expect(rulesOf(3, 3)).toEqual([])
    expect(rulesOf(3, 4)).toEqual(['breakout-gentle'])
    expect(rulesOf(4, 3)).toEqual(['breakout-calm'])
  })
  it('never stops less where it is worse, row by row', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 1, max: 9 }), (grade, many) => {
        const stopped = (one: number) =>
          new Set(
            barsFromBreakout(deriveProfile(spotted(one as Grade, many))).flatMap(
              (bar) => bar.families,
            ),
          )
        const worse = stopped(grade + 1)
        for (const family of stopped(grade)) expect(worse.has(family)).toBe(true)
      }),
    )
  })
  it('keeps actives away for its days, and not a day longer', () => {
    const [calm, gentle] = BREAKOUT_ROWS
    const before = { day: '2026-10-20', zones: spotted(3, 5) }
    expect(barsAfterBreakout(before, '2026-11-02').map((bar) => bar.until)).toEqual(['2026-11-03'])
    expect(barsAfterBreakout(before, '2026-11-03')).toEqual([])
    expect(barsAfterBreakout(undefined, '2026-11-02')).toEqual([])
    expect(barsAfterBreakout(before, '2026-11-02', calm ? [calm] : [])).toEqual([])
    expect(gentle?.families).toContain('leaveOnActive')
  })
  it('takes grain, acid and machine out of the plan of the whole face', () => {
    const offered = (regions: number) => {
      const allow = allowances(
        planInput({ aims: ['dullness'], readings: spotted(3, regions), slotMinutes: 75 }),
      )
      return (['grain', 'acidMask', 'tip'] as const).filter(
        (id) =>
          allow(id).never.every(({ rule }) => rule === 'named-only') &&
          REGION_IDS.some((region) => !allow(id).barred.has(region)),
      )
    }
    expect(offered(0)).toEqual(['grain', 'acidMask', 'tip'])
    expect(offered(4)).toEqual([])
  })
})
