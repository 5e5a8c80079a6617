import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import { GROUPS } from '../../face/regions'
import { ZONES, type RegionId, type ZoneId } from '../../face/zones'
import { propose } from '../../planning/answer/propose'
import { planAfterStop } from '../../planning/answer/stopPlan'
import { checkPlan } from '../../planning/checks/check'
import { allowance } from '../../planning/today/allowed'
import { allNo, planInput, TODAY } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { screen } from './verdict'

const regionOf = (zone: ZoneId): RegionId => ZONES[zone].regions[0] ?? 'mouth'

/** Whatever is done on a face: laid on, wiped, held to it or worked into it. */
const TOUCHING = TECHNIQUE_IDS.filter(
  (id) => TECHNIQUES[id].groups.some((one) => one !== 'body') && !TECHNIQUES[id].connects?.handsOff,
)
const open = fc.constantFrom<ZoneId>('cheekL', 'chin', 'nose', 'forehead', 'jawR', 'jawL')
const withOpen = (zone: ZoneId, finding: 'wound' | 'unexplainedSpot' = 'wound') => {
  const answers = allNo({ [finding]: { say: 'yes', zones: [zone] } })
  return planInput({ answers, verdict: screen(answers, TODAY) })
}

describe('nothing on open skin: no product, pad, cloth or tool', () => {
  it('holds for every technique that touches the face there', () => {
    fc.assert(
      fc.property(open, fc.constantFrom(...TOUCHING), (zone, id) => {
        const { never, barred } = allowance(id, withOpen(zone))
        const region = regionOf(zone)
        const reaches = TECHNIQUES[id].groups.some((one) => GROUPS[one].includes(region))
        if (reaches) expect(never.length > 0 || barred.has(region), id).toBe(true)
      }),
    )
  })
  it('no plan has a step there, and none that follows a stop', () => {
    fc.assert(
      fc.property(open, fc.boolean(), (zone, daylight) => {
        const input = { ...withOpen(zone), daylight }
        const region = regionOf(zone)
        const steps = [...propose(input).steps, ...planAfterStop(input, [])]
        for (const { technique, regions } of steps)
          expect(regions.includes(region), technique).toBe(false)
      }),
      { numRuns: 20 },
    )
  })
  it('a product or a globe put there by hand is found', () => {
    const input = withOpen('cheekL')
    for (const id of ['cold', 'moisturiser', 'sunProtection', 'serum', 'milk'] as const) {
      const steps = [...propose(input).steps, usualStep(id, { regions: [...GROUPS.face] })]
      expect(
        checkPlan(input, steps).findings.map(({ rule }) => rule),
        id,
      ).toContain('wound-local')
    }
  })
  it('a spot nobody can explain is left alone in the same way', () => {
    const input = withOpen('nose', 'unexplainedSpot')
    for (const id of ['cold', 'moisturiser', 'clay', 'milk'] as const)
      expect(allowance(id, input).barred.has(regionOf('nose')), id).toBe(true)
  })
})
