import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { REGION_IDS, ZONE_IDS } from '../face/zones'
import { readAll, RESILIENT } from '../testing/fixtures'
import { deriveProfile, plannedGrade } from './profile'
import {
  changedReadings,
  overlay,
  READING_IDS,
  readRegion,
  unreadRegions,
  type Grade,
  type Readings,
} from './readings'

const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
const readings = fc.dictionary(
  fc.constantFrom(...ZONE_IDS),
  fc.record(
    Object.fromEntries(
      READING_IDS.map((reading) => [reading, fc.option(grade, { nil: undefined })]),
    ),
  ),
  { noNullPrototype: true },
) as fc.Arbitrary<Readings>

describe('readings', () => {
  it('lets the strictest zone speak for its region', () => {
    const found = readRegion(
      { forehead: { redness: 1, water: 3 }, glabella: { redness: 3, water: 1 } },
      'forehead',
    )
    expect(found).toEqual({ redness: 3, water: 1 })
  })
  it('never takes a missing reading for a zero', () => {
    expect(readRegion({}, 'nose')).toEqual({})
    expect(unreadRegions({})).toEqual(REGION_IDS)
    expect(unreadRegions(readAll(RESILIENT))).toEqual([])
  })
  it('lays later readings over earlier ones and keeps the rest', () => {
    fc.assert(
      fc.property(readings, readings, (one, other) => {
        const laid = overlay(one, other)
        for (const zone of ZONE_IDS)
          for (const reading of READING_IDS)
            expect(laid[zone]?.[reading]).toBe(other[zone]?.[reading] ?? one[zone]?.[reading])
        expect(overlay(laid, other)).toEqual(laid)
      }),
    )
  })
  it('lists what changed, both ways alike', () => {
    fc.assert(
      fc.property(readings, readings, (one, other) => {
        expect(
          changedReadings(one, other).map((changedReading) => [
            changedReading.zone,
            changedReading.reading,
          ]),
        ).toEqual(
          changedReadings(other, one).map((changedReading) => [
            changedReading.zone,
            changedReading.reading,
          ]),
        )
        expect(changedReadings(one, one)).toEqual([])
      }),
    )
  })
})

describe('profile', () => {
  const skin = (tZone: Grade, cheeks: Grade) =>
    readAll(
      { ...RESILIENT, oil: cheeks },
      {
        forehead: { ...RESILIENT, oil: tZone },
        nose: { ...RESILIENT, oil: tZone },
        chin: { ...RESILIENT, oil: tZone },
      },
    )
  it('calls a T-zone two grades oilier than the cheeks combination', () => {
    expect(deriveProfile(skin(3, 1)).type).toBe('combination')
    expect(deriveProfile(skin(2, 1)).type).not.toBe('combination')
    expect(deriveProfile(skin(4, 3)).type).toBe('oily')
    expect(deriveProfile(skin(1, 1)).type).toBe('dry')
    expect(deriveProfile({}).type).toBe('unread')
  })
  it('tells dehydrated from dry: oily skin may lack water', () => {
    const profile = deriveProfile(readAll({ ...RESILIENT, oil: 4, water: 0 }))
    expect(profile.type).toBe('oily')
    expect(profile.conditions).toContain('dehydrated')
    expect(deriveProfile(readAll({ ...RESILIENT, oil: 0, water: 3 })).conditions).not.toContain(
      'dehydrated',
    )
  })
  it('shows evidence with every line', () => {
    fc.assert(
      fc.property(readings, fc.integer({ min: 12, max: 95 }), (given, age) => {
        for (const line of deriveProfile(given, age).lines)
          if (line.id !== 'type') expect(line.evidence.length).toBeGreaterThan(0)
      }),
    )
  })
  it('leans to caution where nothing was read', () => {
    const profile = deriveProfile({ nose: { sensitivity: 0 } })
    expect(plannedGrade(profile, 'nose', 'sensitivity')).toBe(0)
    expect(plannedGrade(profile, 'chin', 'sensitivity')).toBe(2)
    expect(profile.confidence).toBeLessThan(0.1)
  })
  it('marks a skin from sixty as mature', () => {
    expect(deriveProfile(readAll(RESILIENT), 60).conditions).toContain('mature')
    expect(deriveProfile(readAll(RESILIENT), 59).conditions).not.toContain('mature')
  })
})
