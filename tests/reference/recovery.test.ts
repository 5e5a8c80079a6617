import { describe, expect, it } from 'vitest'
import { halfLifeHours, remainingAt } from '#core/load/ledger'

const DAY_HOURS = 24
describe('barrier recovery after tape stripping, Ghadially et al., J Clin Invest 1995 (values from memory)', () => {
  const left = (age: number) =>
    remainingAt(
      [{ at: 0, label: '', loads: { forehead: 10_000 } }],
      DAY_HOURS * 3_600_000,
      halfLifeHours(age, false),
    ).forehead / 10_000
  it('half is back in 24 hours at twenty-five', () => {
    expect(left(25)).toBeCloseTo(0.5, 2)
  })
  it('about fifteen per cent is back in 24 hours over eighty', () => {
    expect(left(82)).toBeCloseTo(0.85, 2)
  })
  it('runs evenly in between', () => {
    expect(halfLifeHours(52.5, false)).toBeCloseTo((24 + 102) / 2, 6)
  })
})
