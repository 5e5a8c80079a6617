import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PRODUCT_KINDS } from '../catalogue/kinds'
import { GROUPS } from '../face/regions'
import { product } from '../testing/fixtures'
import { doseOf } from './layers'
import { learnedBounds, learnedFrom, learnedShare, learnedWords, type TakenOf } from './learned'

const kind = fc.constantFrom(...PRODUCT_KINDS)
/** The same hand takes the same again and again, whatever was planned. */
function lived(own: TakenOf['kind'], usual: number, wants: number, visits: number): number[] {
  const seen: TakenOf[][] = []
  const shares: number[] = []
  for (let visit = 0; visit < visits; visit++) {
    const share = (learnedFrom(seen)[own] ?? 100) / 100
    shares.push(share)
    seen.push([{ kind: own, planned: usual * share, taken: wants }])
  }
  return shares
}

describe('an amount that is learned from this client', () => {
  it('comes to what the hand takes, within its bound, and never past it', () => {
    fc.assert(
      fc.property(
        kind,
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        (own, usual, factor) => {
          const shares = lived(own, usual, usual * factor, 24)
          const { least, most } = learnedBounds(own)
          const end = Math.min(most, Math.max(least, factor * 100)) / 100
          expect(shares.at(-1)).toBeCloseTo(end, 3)
          for (const share of shares) {
            expect(share).toBeGreaterThanOrEqual(Math.min(least, 100) / 100 - 1e-9)
            expect(share).toBeLessThanOrEqual(Math.max(most, 100) / 100 + 1e-9)
          }
          // Halfway each time: it nears its end and never swings.
          for (const [at, share] of shares.entries())
            expect(Math.abs((shares[at + 1] ?? end) - end)).toBeLessThanOrEqual(
              Math.abs(share - end) + 1e-9,
            )
        },
      ),
    )
  })
  it('never learns less of what protects, nor more of what works on the skin', () => {
    expect(learnedBounds('sunProtection').least).toBe(100)
    for (const strong of ['acidMask', 'peelSolution', 'enzymeMask', 'needlingSerum'] as const)
      expect(learnedBounds(strong).most).toBe(100)
  })
  it('what is topped up begins low: the start grows by a quarter at most', () => {
    expect(learnedBounds('massageOil')).toEqual({ least: 60, most: 125 })
    expect(learnedBounds('milk')).toEqual({ least: 60, most: 150 })
  })
  it('teaches nothing where nothing was measured, or nothing taken', () => {
    expect(learnedFrom([])).toEqual({})
    expect(learnedFrom([[], [{ kind: 'milk', planned: 2, taken: 0 }]])).toEqual({})
  })
  it('a worked case: half as much twice is five eighths of the usual, and is said in whole per cent', () => {
    // 100 → (1 + ½) / 2 = 75; planned 75 %, taken 50 % of the usual: (1 + ⅔) / 2 of 75 = 62.5.
    const learned = learnedFrom([
      [{ kind: 'milk', planned: 4, taken: 2 }],
      [{ kind: 'milk', planned: 3, taken: 2 }],
    ])
    expect(learned.milk).toBeCloseTo(62.5, 6)
    const milk = product('milk', 'milk', { dispenser: { kind: 'pour', millilitres: 1 } })
    expect(learnedWords(milk, { learned })).toBe('38 % less than usual, as taken before')
    const usual = doseOf({ regions: [...GROUPS.face] }, milk, {}).millilitres
    const own = doseOf({ regions: [...GROUPS.face] }, milk, { learned }).millilitres
    expect(own).toBeLessThan(usual)
    expect(learnedWords(milk, {})).toBe('')
  })
  it('is said from a tenth off, on either side', () => {
    const milk = product('milk', 'milk', { dispenser: { kind: 'pour', millilitres: 1 } })
    const said = (percent: number) => learnedWords(milk, { learned: { milk: percent } }) !== ''
    expect([89, 90, 91, 100, 109, 110, 111].map(said)).toEqual([
      ...[true, true, false, false],
      ...[false, true, true],
    ])
  })
  it('a piece is a piece', () => {
    const sheet = product('sheetMask', 's', { dispenser: { kind: 'piece', millilitres: 20 } })
    expect(learnedShare(sheet, { learned: { sheetMask: 60 } })).toBe(1)
  })
})
