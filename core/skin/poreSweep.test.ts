import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carriedOver } from './notes'
import { baselineOf, SWEPT_ZONES, sweepTrend, type SweepBaseline } from './poreSweep'
import type { Grade } from './readings'

const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
const zone = fc.constantFrom(...SWEPT_ZONES)
const plain = (day: string) => day

describe('the pore sweep', () => {
  it('is held against the first one, however many came between', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ zone, grade }), { minLength: 2, maxLength: 6 }),
        (sweeps) => {
          let last: { day: string; whole: Parameters<typeof baselineOf>[0] } | null = null
          for (const [i, poreSweep] of sweeps.entries()) {
            const sweepBaseline: SweepBaseline | undefined = baselineOf({ poreSweep }, last)
            if (i === 0) expect(sweepBaseline).toBeUndefined()
            else expect(sweepBaseline).toEqual({ ...sweeps[0], day: '2026-01-01' })
            last = {
              day: `2026-0${i + 1}-01`,
              whole: { poreSweep, ...(sweepBaseline ? { sweepBaseline } : {}) },
            }
          }
        },
      ),
    )
  })
  it('says a trend only beyond what a finger repeats, and only on the same spot', () => {
    fc.assert(
      fc.property(zone, zone, grade, grade, (one, other, before, now) => {
        const said = sweepTrend(
          { zone: other, grade: now },
          { zone: one, grade: before, day: '2026-01-01' },
          plain,
        )
        if (one !== other) expect(said).toContain('sweep there to compare')
        else if (Math.abs(now - before) <= 1) expect(said).toContain('no difference')
        else expect(said).toMatch(now < before ? /^Clearer by/ : /^Catches more by/)
      }),
    )
    expect(sweepTrend({ zone: 'nose', grade: 2 }, undefined, plain)).toContain('first sweep')
  })
  it('is kept with the scales: the first stays from visit to visit, the latest belongs to its day', () => {
    const first = { zone: 'nose', grade: 3, day: '2026-01-01' } as const
    const over = carriedOver({ poreSweep: { zone: 'nose', grade: 1 }, sweepBaseline: first })
    expect(over).toEqual({ sweepBaseline: first })
  })
})
