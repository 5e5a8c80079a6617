import { describe, expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { allowances } from '../today/allowed'
import { RegionSets } from './regionSets'

const tender = { ...RESILIENT, sensitivity: 1 as const }
const offered = (input: ReturnType<typeof planInput>, technique: 'tip' | 'hydratingMask') =>
  new RegionSets(input).of(allowances(input)(technique)).map((regionSet) => regionSet.regions)
const calm = planInput({ readings: readAll(RESILIENT) })
const tight = planInput({ readings: readAll(RESILIENT, { forehead: tender }) })

describe('where a technique may be done', () => {
  it('also without the few zones that can bear least, where it takes something off', () => {
    expect(offered(calm, 'tip')).toEqual([GROUPS.faceNoEyes, GROUPS.tZone])
    expect(offered(tight, 'tip')).toContainEqual(
      GROUPS.faceNoEyes.filter((faceNoEye) => faceNoEye !== 'forehead'),
    )
    expect(offered(tight, 'tip')).toContainEqual(['nose', 'chin'])
    expect(offered(tight, 'hydratingMask')).toEqual(offered(calm, 'hydratingMask'))
  })
  it('not without most of the face: the groups are there for that', () => {
    const mostly = planInput({ readings: readAll(tender, { forehead: RESILIENT }) })
    expect(offered(mostly, 'tip')).toEqual([GROUPS.faceNoEyes, GROUPS.tZone])
  })
  it('two masks side by side never meet on a zone', () => {
    const allow = allowances(tight)
    for (const way of new RegionSets(tight).byZone([allow('clay'), allow('hydratingMask')]))
      expect(new Set(way.sets.flat()).size).toBe(way.sets.flat().length)
  })
})
