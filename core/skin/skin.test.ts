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
  fc.record(Object.fromEntries(READING_IDS.map((r) => [r, fc.option(grade, { nil: undefined })]))),
  { noNullPrototype: true },
) as fc.Arbitrary<Readings>

describe('readings', () => {
  it('lets the strictest zone speak for its region', () => {
    const r = readRegion(
      { forehead: { redness: 1, water: 3 }, glabella: { redness: 3, water: 1 } },
      'forehead',
    )
    expect(r).toEqual({ redness: 3, water: 1 })
  })
  it('never takes a missing reading for a zero', () => {
    expect(readRegion({}, 'nose')).toEqual({})
    expect(unreadRegions({})).toEqual(REGION_IDS)
    expect(unreadRegions(readAll(RESILIENT))).toEqual([])
  })
  it('lays later readings over earlier ones and keeps the rest', () => {
    fc.assert(
      fc.property(readings, readings, (a, b) => {
        const o = overlay(a, b)
        for (const z of ZONE_IDS)
          for (const r of READING_IDS) expect(o[z]?.[r]).toBe(b[z]?.[r] ?? a[z]?.[r])
        expect(overlay(o, b)).toEqual(o)
      }),
    )
  })
  it('lists what changed, both ways alike', () => {
    fc.assert(
      fc.property(readings, readings, (a, b) => {
        expect(changedReadings(a, b).map((c) => [c.zone, c.reading])).toEqual(
          changedReadings(b, a).map((c) => [c.zone, c.reading]),
        )
        expect(changedReadings(a, a)).toEqual([])
      }),
    )
  })
})

describe('profile', () => {
  const skin = (t: Grade, c: Grade) =>
    readAll(
      { ...RESILIENT, oil: c },
      {
        forehead: { ...RESILIENT, oil: t },
        nose: { ...RESILIENT, oil: t },
        chin: { ...RESILIENT, oil: t },
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
    const p = deriveProfile(readAll({ ...RESILIENT, oil: 4, water: 0 }))
    expect(p.type).toBe('oily')
    expect(p.conditions).toContain('dehydrated')
    expect(deriveProfile(readAll({ ...RESILIENT, oil: 0, water: 3 })).conditions).not.toContain(
      'dehydrated',
    )
  })
  it('shows evidence with every line', () => {
    fc.assert(
      fc.property(readings, fc.integer({ min: 12, max: 95 }), (r, age) => {
        for (const l of deriveProfile(r, age).lines)
          if (l.id !== 'type') expect(l.evidence.length).toBeGreaterThan(0)
      }),
    )
  })
  it('leans to caution where nothing was read', () => {
    const p = deriveProfile({ nose: { sensitivity: 0 } })
    expect(plannedGrade(p, 'nose', 'sensitivity')).toBe(0)
    expect(plannedGrade(p, 'chin', 'sensitivity')).toBe(2)
    expect(p.confidence).toBeLessThan(0.1)
  })
  it('marks a skin from sixty as mature', () => {
    expect(deriveProfile(readAll(RESILIENT), 60).conditions).toContain('mature')
    expect(deriveProfile(readAll(RESILIENT), 59).conditions).not.toContain('mature')
  })
})
