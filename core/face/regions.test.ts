import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  areaOf,
  GROUPS,
  mirror,
  listRegions,
  nameRegions,
  regionsTold,
  ownZonesOf,
  REFERENCE_FACE,
  zonesOf,
} from './regions'
import { REGION_IDS, ZONES, ZONE_IDS } from './zones'

const subset = fc.subarray([...REGION_IDS])

describe('zones and regions', () => {
  it('folds every zone but the lids into a region', () => {
    const folded = new Set(REGION_IDS.flatMap(zonesOf))
    expect(ZONE_IDS.filter((zone) => !folded.has(zone))).toEqual(['lidL', 'lidR'])
  })
  it('adds up to the house areas: face 550 with its lids, neck 200, décolleté 250', () => {
    const lids = ZONES.lidL.area + ZONES.lidR.area
    expect(areaOf(GROUPS.face) + lids).toBeCloseTo(550, 6)
    expect(areaOf(['neck'])).toBeCloseTo(200, 6)
    expect(areaOf(['decollete'])).toBeCloseTo(250, 6)
  })
  it('scales with height times width', () => {
    expect(areaOf(GROUPS.face, { height: 21, width: 15 }) / areaOf(GROUPS.face)).toBeCloseTo(
      (21 * 15) / (19 * 14),
      9,
    )
    expect(() => areaOf(GROUPS.face, { height: 0, width: 14 })).toThrow(RangeError)
    expect(() => areaOf(GROUPS.face, { height: Number.NaN, width: 14 })).toThrow(RangeError)
  })
  it('counts two halves as one whole, however the regions are split', () => {
    fc.assert(
      fc.property(subset, (some) => {
        const rest = REGION_IDS.filter((region) => !some.includes(region))
        expect(areaOf(some, REFERENCE_FACE) + areaOf(rest)).toBeCloseTo(areaOf(REGION_IDS), 6)
      }),
    )
  })
  it('mirrors left and right and leaves the middle alone', () => {
    for (const zone of ZONE_IDS) expect(mirror(mirror(zone))).toBe(zone)
    expect(mirror('cheekL')).toBe('cheekR')
    expect(mirror('nose')).toBe('nose')
  })
  it('names groups the way a therapist would', () => {
    expect(nameRegions(GROUPS.tZone)).toBe('T-zone')
    expect(nameRegions(GROUPS.faceNeckDecollete)).toBe('face, neck, décolleté')
    expect(
      nameRegions(GROUPS.face.filter((region) => region !== 'cheekL' && region !== 'cheekR')),
    ).toBe('whole face except cheeks')
    expect(nameRegions(['cheekL'])).toBe('left cheek')
    expect(nameRegions([])).toBe('')
  })
  it('lists them where something is said of them, and subtracts nothing', () => {
    fc.assert(
      fc.property(subset, (some) => {
        expect(listRegions(some)).not.toMatch(/except/)
      }),
    )
    expect(listRegions(GROUPS.faceNeckDecollete)).toBe('face, neck, décolleté')
  })
  it('minds what was told of any zone somewhere: of a lid on the ring round it', () => {
    for (const zone of ZONE_IDS) expect(regionsTold([zone]), zone).not.toEqual([])
    expect(regionsTold(['lidL'])).toEqual(['eyes'])
  })
  it('gives every set of regions a name', () => {
    fc.assert(
      fc.property(subset, (some) => {
        expect(nameRegions(some).length > 2).toBe(some.length > 0)
      }),
    )
  })

  it('tells left from right: what belongs to both sides is neither', () => {
    for (const region of REGION_IDS) {
      const own = ownZonesOf(region)
      expect(own.length, region).toBeGreaterThan(0)
      for (const zone of own) expect(ZONES[zone].regions).toEqual([region])
    }
    expect(ownZonesOf('jawL').some((zone) => ownZonesOf('jawR').includes(zone))).toBe(false)
  })
})
