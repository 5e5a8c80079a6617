import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES } from '../catalogue/techniques/techniques'
import { dwellOf, restWindow } from './dwell'

describe('the minutes of a label', () => {
  const bottle = (from: number, to: number) => ({ rests: { from, to } })
  it('narrow those of the kind, and never make them wider', () => {
    expect(dwellOf(TECHNIQUES.clay, bottle(8, 10))).toMatchObject({ earliest: 8, latest: 10 })
    expect(dwellOf(TECHNIQUES.clay, bottle(1, 60))).toMatchObject({ earliest: 5, latest: 12 })
    expect(dwellOf(TECHNIQUES.clay, undefined)).toEqual(TECHNIQUES.clay.dwell)
    expect(dwellOf(TECHNIQUES.clay, {})).toEqual(TECHNIQUES.clay.dwell)
    expect(dwellOf(TECHNIQUES.milk, bottle(1, 2))).toBeUndefined()
  })
  it('at the short end stay in their first third, and within what tender skin bears', () => {
    expect(dwellOf(TECHNIQUES.hydratingMask, bottle(9, 15))?.sensitive).toEqual({
      earliest: 9,
      latest: 11,
    })
    expect(dwellOf(TECHNIQUES.clay, bottle(8, 10))?.sensitive).toEqual({ earliest: 7, latest: 7 })
  })
  it('hold for everything that rests: inside the kind, the short end inside the label', () => {
    const resting = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].dwell)
    fc.assert(
      fc.property(
        fc.constantFrom(...resting),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 30 }),
        (id, from, more) => {
          const own = dwellOf(TECHNIQUES[id], bottle(from, from + more))
          const kind = TECHNIQUES[id].dwell
          if (!own || !kind) throw new Error('rests')
          expect(own.earliest).toBeLessThanOrEqual(own.latest)
          expect(own.earliest).toBeGreaterThanOrEqual(kind.earliest)
          expect(own.latest).toBeLessThanOrEqual(kind.latest)
          expect(own.sensitive.earliest).toBeLessThanOrEqual(own.sensitive.latest)
          expect(own.sensitive.latest).toBeLessThanOrEqual(
            Math.min(own.latest, kind.sensitive.latest),
          )
        },
      ),
    )
  })
  it('a label may name what its kind bears: clay five to twelve minutes, a serum none', () => {
    expect(restWindow('settingClay')).toEqual({ from: 5, to: 12 })
    expect(restWindow('serum')).toBeUndefined()
  })
})
