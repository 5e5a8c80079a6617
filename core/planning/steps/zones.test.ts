import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { GROUPS } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { usualStep } from '../../testing/steps'
import { offWhere } from '../../timing/schedule'
import { applyEdits } from './edit'
import { zoneEdits } from './zones'

const hard = [
  usualStep('mixHardening', { key: 'mix' }),
  usualStep('hardeningMask', { key: 'on' }),
  usualStep('hardeningOff', { key: 'off' }),
]
const after = (steps: readonly PlanStep[], key: string, region: RegionId) =>
  applyEdits(steps, zoneEdits(steps, key, region))
const zonesOf = (steps: readonly PlanStep[], key: string) =>
  steps.find((step) => step.key === key)?.regions ?? []

describe('a zone more or less of a step', () => {
  it('of a mixed mask is mixed for, and comes off there as well', () => {
    const more = after(after(hard, 'on', 'neck'), 'on', 'decollete')
    for (const key of ['mix', 'on', 'off'])
      expect(zonesOf(more, key), key).toEqual([...GROUPS.faceNoEyes, 'neck', 'decollete'])
    expect(after(after(more, 'on', 'neck'), 'on', 'decollete')).toEqual(hard)
  })
  it('that another mask lies on still comes off', () => {
    const steps = [
      usualStep('hydratingMask', { key: 'a', regions: ['forehead', 'nose'] }),
      usualStep('creamMask', { key: 'b', regions: ['nose', 'chin'] }),
      usualStep('maskOff', { key: 'off', regions: ['forehead', 'nose', 'chin'] }),
    ]
    expect(zonesOf(after(steps, 'a', 'nose'), 'off')).toContain('nose')
    expect(zonesOf(after(steps, 'a', 'forehead'), 'off')).not.toContain('forehead')
  })
  it('of what does not rest is its own alone; twice is nothing; nothing is left on by it', () => {
    const steps = [usualStep('milk', { key: 'milk' }), ...hard]
    expect(zoneEdits(steps, 'milk', 'decollete')).toHaveLength(1)
    expect(() => zoneEdits(steps, 'none', 'chin')).toThrow(RangeError)
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...REGION_IDS), { maxLength: 8 }),
        fc.constantFrom('milk', 'on'),
        (regions, key) => {
          const changed = regions.reduce<PlanStep[]>(
            (own, region) => after(own, key, region),
            steps,
          )
          const place = changed.findIndex((step) => step.key === 'on')
          const left = [...offWhere(changed, place)].filter(([at, zones]) => at < 0 && zones.length)
          expect(left).toEqual([])
          const again = [...regions].reverse().reduce((own, id) => after(own, key, id), changed)
          const sorted = (own: readonly PlanStep[]) =>
            own.map((step) => [step.key, [...step.regions].sort()])
          expect(sorted(again)).toEqual(sorted(steps))
        },
      ),
    )
  })
})
