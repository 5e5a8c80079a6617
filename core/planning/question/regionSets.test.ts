import { describe, expect, it } from 'vitest'
import { GROUPS } from '../../face/regions'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { allowances } from '../today/allowed'
import { compile } from './compile'
import { RegionSets } from './regionSets'

const tender = { ...RESILIENT, sensitivity: 1 as const }
const offered = (input: ReturnType<typeof planInput>, technique: 'tip' | 'hydratingMask') =>
  new RegionSets(input).of(allowances(input)(technique)).map((s) => s.regions)
const calm = planInput({ readings: readAll(RESILIENT) })
const tight = planInput({ readings: readAll(RESILIENT, { forehead: tender }) })

describe('where a technique may be done', () => {
  it('also without the few zones that can bear least, where it takes something off', () => {
    expect(offered(calm, 'tip')).toEqual([GROUPS.faceNoEyes, GROUPS.tZone])
    expect(offered(tight, 'tip')).toContainEqual(GROUPS.faceNoEyes.filter((r) => r !== 'forehead'))
    expect(offered(tight, 'tip')).toContainEqual(['nose', 'chin'])
    expect(offered(tight, 'hydratingMask')).toEqual(offered(calm, 'hydratingMask'))
  })
  it('not without most of the face: the groups are there for that', () => {
    const mostly = planInput({ readings: readAll(tender, { forehead: RESILIENT }) })
    expect(offered(mostly, 'tip')).toEqual([GROUPS.faceNoEyes, GROUPS.tZone])
  })
  it('also on zones that were named besides, where nothing bars them there', () => {
    const more = { ...calm, alsoOn: { tip: [['cheekL', 'cheekR']] as const } }
    expect(offered(more, 'tip')).toContainEqual(['cheekL', 'cheekR'])
    expect(
      compile(more)
        .stages.find((s) => s.id === 'machine')
        ?.options.some((o) => o.moves.some((m) => m.technique === 'tip' && m.regions.length === 2)),
    ).toBe(true)
  })
  it('two masks side by side never meet on a zone', () => {
    const a = allowances(tight)
    for (const l of new RegionSets({ ...tight, alsoOn: { clay: [GROUPS.face] } }).byZone([
      a('clay'),
      a('hydratingMask'),
    ]))
      expect(new Set(l.sets.flat()).size).toBe(l.sets.flat().length)
  })
})
