import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { keptWay, wildWay } from '../../testing/ownWays'
import { NEAREST, ownTrouble } from './ownTrouble'
import { deviceOf, inWay, techniqueOf, techniqueToday } from './ownWay'
import { TECHNIQUES, type OwnWay } from './techniques'
import { GROUPS } from '../../face/regions'

const rowOf = (own: OwnWay) => techniqueOf({ technique: own.from, own })
const amber: OwnWay = {
  ...{ id: 'way-1', name: 'Amber steam', from: 'steam', usual: true, never: ['neck'] },
  device: {
    ...{ id: 'own-1', name: 'Amber dome', from: 'steamer' },
    ...{ also: ['covering'], loadPercent: 150, cleaning: 'Wiped and dried.' },
  },
}

describe("a technique of a house's own", () => {
  it('stays inside its technique whatever is said of it', () => {
    fc.assert(
      fc.property(wildWay, (own) => {
        const [row, from] = [rowOf(own), TECHNIQUES[own.from]]
        expect(row.minutes.least).toBeGreaterThanOrEqual(from.minutes.least)
        expect(row.minutes.most).toBeLessThanOrEqual(from.minutes.most)
        for (const choice of row.minutes.choices) {
          expect(choice).toBeGreaterThanOrEqual(row.minutes.least)
          expect(choice).toBeLessThanOrEqual(row.minutes.most)
        }
        // What has a usual time gets that or is left out: so it is among the choices.
        if (row.minutes.usual !== undefined)
          expect(row.minutes.choices).toContain(row.minutes.usual)
        expect(row.dwell?.latest ?? 0).toBeLessThanOrEqual(from.dwell?.latest ?? 0)
        expect(row.dwell?.sensitive.latest ?? 0).toBeLessThanOrEqual(
          from.dwell?.sensitive.latest ?? 0,
        )
        expect(row.dwell?.earliest ?? 0).toBe(from.dwell?.earliest ?? 0)
        expect(row.passes?.limit ?? 0).toBeLessThanOrEqual(from.passes?.limit ?? 0)
        expect(row.setting?.most ?? 0).toBeLessThanOrEqual(
          from.setting?.more?.most ?? from.setting?.most ?? 0,
        )
        expect(row.setting?.least ?? 0).toBeGreaterThanOrEqual(from.setting?.least ?? 0)
        expect(row.load?.hundredths ?? 0).toBeGreaterThanOrEqual(from.load?.hundredths ?? 0)
        expect(row.families).toEqual(expect.arrayContaining([...from.families]))
        expect(row.confirm).toEqual(expect.arrayContaining([...(from.confirm ?? [])]))
        expect(row.takesAlso ?? []).toEqual(expect.arrayContaining([...(from.takesAlso ?? [])]))
        expect(row.hand).toContain(from.hand)
        for (const same of ['licence', 'needs', 'leaves', 'tools', 'cue', 'notYet'] as const)
          expect(row[same]).toEqual(from[same])
      }),
      { numRuns: 500 },
    )
  })

  it('has just the numbers that it was kept with', () => {
    fc.assert(
      fc.property(fc.constantFrom(...NEAREST).chain(keptWay), (own) => {
        const { minutes, dwell, passes } = rowOf(own)
        if (own.minutesLeast !== undefined) expect(minutes.least).toBe(own.minutesLeast)
        if (own.minutesMost !== undefined) expect(minutes.most).toBe(own.minutesMost)
        if (own.restMost !== undefined) expect(dwell?.latest).toBe(own.restMost)
        if (own.passesMost !== undefined) expect(passes?.limit).toBe(own.passesMost)
      }),
    )
  })

  it('is refused where it would be looser, or has no level to work at', () => {
    expect(ownTrouble(amber)).toEqual([])
    expect(ownTrouble({ ...amber, minutesMost: 60 })).toMatchObject([{ field: 'minutesMost' }])
    expect(ownTrouble({ ...amber, passesMost: 1 })).toMatchObject([{ field: 'passesMost' }])
    expect(ownTrouble({ ...amber, restMost: 5 })).toMatchObject([{ field: 'restMost' }])
    expect(ownTrouble({ ...amber, from: 'tip' })).toMatchObject([{ field: 'device' }])
    expect(ownTrouble({ ...amber, from: 'close' })).toMatchObject([
      { field: 'from' },
      { field: 'device' },
    ])
    const levels = { least: 50, most: 60, step: 1 }
    const device = { ...amber.device, from: 'tipMachine', levels } as OwnWay['device']
    expect(ownTrouble({ ...amber, from: 'tip', ...(device ? { device } : {}) })).toMatchObject([
      { field: 'device', allowed: 'one with a level from 8 to 30 kPa' },
    ])
  })

  it('counts as what its device does beside the nearest, and loads the skin as much more', () => {
    const row = rowOf(amber)
    expect(row.families).toContain('covering')
    expect(row.load?.hundredths).toBe(
      TECHNIQUES.steam.load && Math.ceil(TECHNIQUES.steam.load.hundredths * 1.5),
    )
    expect(deviceOf(row)).toEqual({ kind: 'own-1', name: 'Amber dome', like: 'steamer' })
  })

  it('is the way of today: by what stands ready, by a pin, by the protocol', () => {
    const named = (more: Parameters<typeof techniqueToday>[1]) => techniqueToday('steam', more).name
    const ways = [amber]
    expect(named({ ways, devices: ['steamer', 'own-1'] })).toBe('Amber steam')
    expect(named({ ways, devices: ['steamer'] })).toBe(TECHNIQUES.steam.name)
    const byHand = [{ ...amber, usual: false }]
    expect(named({ ways: byHand, devices: ['steamer', 'own-1'] })).toBe(TECHNIQUES.steam.name)
    expect(named({ ways: byHand, devices: ['own-1'] })).toBe('Amber steam')
    const plain = [{ technique: 'steam' as const }]
    expect(named({ ways, devices: ['own-1'], pins: plain })).toBe(TECHNIQUES.steam.name)
    const own = [{ technique: 'steam' as const, own: amber }]
    expect(named({ devices: [], protocol: own })).toBe('Amber steam')
  })

  it('takes a step over without its zones and numbers beyond it', () => {
    const step = {
      ...{ technique: 'tip' as const, minutes: TECHNIQUES.tip.minutes.most },
      ...{ passes: 2, setting: 30, regions: GROUPS.faceNeckDecollete },
    }
    const way: OwnWay = {
      ...{ id: 'way-2', name: 'Soft tip', from: 'tip', usual: false },
      ...{ never: ['neck'], minutesMost: 8, passesMost: 1 },
    }
    expect(inWay(step, way)).toMatchObject({ own: way, minutes: 8, passes: 1, setting: 30 })
    expect(inWay(step, way).regions).not.toContain('neck')
    expect(inWay({ ...step, own: way }, undefined)).toMatchObject({ own: undefined, minutes: 15 })
  })
})
