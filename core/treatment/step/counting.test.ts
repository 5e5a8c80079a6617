import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PAD_GRADES, type PadGrade } from '../../catalogue/rules/pads'
import { usualStep } from '../../testing/steps'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { cleanEnough } from './cleanEnough'
import { countTrouble, missedZones, unevenSides, zoneCountOf } from './counting'
import { emptyRoom } from '../fold/roomState'
import { readWater, waterForecast } from './water'

const counted = (technique: 'tip' | 'stones' | 'microcurrent', done: Record<string, number>) => {
  const step = usualStep(technique)
  const count = zoneCountOf({ ...emptyRoom(), passes: { [step.key]: done } }, step)
  if (!count) throw new Error(`${technique} is counted`)
  return count
}

describe('strokes and passes', () => {
  it('of stones are three to five a section, and of microcurrent three', () => {
    // Common practice.
    expect(countTrouble(counted('stones', { cheekL: 4 }), 'cheekL')).toBeUndefined()
    expect(countTrouble(counted('stones', { cheekL: 5 }), 'cheekL')).toContain('never more')
    expect(countTrouble(counted('microcurrent', { jawR: 3 }), 'jawR')).toContain('never more')
  })
  it('of the tip are never a third', () => {
    expect(countTrouble(counted('tip', { nose: 2 }), 'nose')).toBe('Never a third pass here.')
  })
  it('say which side is behind, whichever it is, and are silent when both are alike', () => {
    fc.assert(
      fc.property(fc.nat(5), fc.nat(5), (left, right) => {
        const said = unevenSides(counted('stones', { cheekL: left, cheekR: right }))
        if (left === right) expect(said).toEqual([])
        else {
          expect(said).toHaveLength(1)
          expect(said[0]).toContain(left < right ? 'left' : 'right')
          expect(said[0]).toContain(String(Math.abs(left - right)))
        }
      }),
    )
  })
  it('name the zones that were left out once counting has begun, and none before', () => {
    expect(missedZones(counted('tip', {}))).toBeUndefined()
    const one = counted('tip', { nose: 1 })
    expect(missedZones(one)).toContain('not 1 pass yet')
    expect(missedZones(one)).toContain('except eye contours, nose')
    const all = Object.fromEntries(one.regions.map((region) => [region, 1]))
    expect(missedZones(counted('tip', all))).toBeUndefined()
  })
  it('are not counted where the hand does not count', () => {
    for (const technique of ['tone', 'oilCleanse', 'handsArms'] as const)
      expect(zoneCountOf(emptyRoom(), usualStep(technique))).toBeUndefined()
  })
})

describe('clean enough', () => {
  it('that stay soiled ask for more soak at the eyes, and for another cleanse on the face', () => {
    // Common practice: lashes are never scrubbed, and a face is not soaked.
    for (const grades of [
      [2, 3],
      [3, 2, 2],
      [1, 1, 1, 1],
    ] as const) {
      const eyes = cleanEnough(grades, undefined, TECHNIQUES.eyesOff)
      expect(eyes?.act).toBe('soakMore')
      expect(eyes?.say).toMatch(/fresh remover/)
      expect(eyes?.minutes).toBeUndefined()
      for (const id of ['milk', 'micellar', 'secondCleanse', 'creamCleanse'] as const)
        expect(cleanEnough(grades, undefined, TECHNIQUES[id])?.act, id).toBe('addCleanse')
    }
    expect(cleanEnough([2, 0], undefined, TECHNIQUES.eyesOff)?.act).toBe('goOn')
  })
  it('is a clean pad; soiled twice is another cleanse, and it says what that costs', () => {
    expect(cleanEnough([])).toBeUndefined()
    expect(cleanEnough([2, 1, 0])?.act).toBe('goOn')
    expect(cleanEnough([2])?.act).toBe('wipeAgain')
    expect(cleanEnough([1])?.act).toBe('wipeAgain')
    const again = cleanEnough([2, 3])
    expect(again?.act).toBe('addCleanse')
    expect(again?.say).toContain(`${again?.minutes} min`)
  })
  it('says how many pads it took last time', () => {
    expect(cleanEnough([1], { pads: 3, from: 'lastTime' })?.say).toContain(
      'Last time it took 3 pads',
    )
  })
  it('never says go on over a pad that is not clean, and does not wipe for ever', () => {
    const pads = fc.array(fc.constantFrom<PadGrade>(...PAD_GRADES), { minLength: 1, maxLength: 9 })
    fc.assert(
      fc.property(pads, (grades) => {
        const said = cleanEnough(grades)
        expect(said?.act === 'goOn').toBe(grades.at(-1) === 0)
        if (grades.length >= 4 && grades.at(-1) !== 0) expect(said?.act).toBe('addCleanse')
      }),
    )
  })
})

describe('water additions', () => {
  it('are ten to twelve at first, two or three after some visits, one or two in the end', () => {
    // Common practice.
    expect(waterForecast(1, false)).toMatchObject({ least: 10, most: 12 })
    expect(waterForecast(3, true)).toMatchObject({ least: 2, most: 3 })
    expect(waterForecast(9, true)).toMatchObject({ least: 1, most: 2 })
  })
  it('never rise with visits nor with home care, and follow what was counted', () => {
    const visit = fc.integer({ min: 1, max: 30 })
    const last = fc.option(fc.integer({ min: 0, max: 20 }), { nil: undefined })
    fc.assert(
      fc.property(visit, visit, fc.boolean(), last, (one, other, kept, before) => {
        const [early, late] = [Math.min(one, other), Math.max(one, other)]
        const at = (number: number, done: boolean) => waterForecast(number, done, before)
        expect(at(late, kept).most).toBeLessThanOrEqual(at(early, kept).most)
        expect(at(late, true).most).toBeLessThanOrEqual(at(late, false).most)
        expect(at(late, kept).least).toBeLessThanOrEqual(at(late, kept).most)
      }),
    )
    expect(waterForecast(4, true, 12).most).toBeGreaterThan(waterForecast(4, true, 3).most)
  })
  it('are read as home care only where they are clearly off, and it asks rather than accuses', () => {
    const expected = waterForecast(3, true)
    expect(readWater(3, expected).reads).toBe('asExpected')
    expect(readWater(9, expected)).toMatchObject({ reads: 'more' })
    expect(readWater(9, expected).say).toContain('ask')
    expect(readWater(1, waterForecast(1, false)).reads).toBe('fewer')
  })
  it('of one more or less than expected nothing is said; of two it is', () => {
    const forecast = { least: 5, most: 7, rule: 'own' }
    expect([2, 3, 4, 5, 7, 8, 9].map((count) => readWater(count, forecast).reads)).toEqual([
      ...['fewer', 'fewer', 'asExpected', 'asExpected'],
      ...['asExpected', 'asExpected', 'more'],
    ])
  })
})
