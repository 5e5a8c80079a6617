import { describe, expect, it } from 'vitest'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { compare } from './compare'

const input = planInput({
  slotMinutes: 60,
  school: 'warmCloth',
  aims: ['dehydration', 'rest', 'congestion'],
  readings: readAll({ ...RESILIENT, water: 1, congestion: 3 }),
})

describe('compared', () => {
  const c = compare(input)
  it('three lengths fit their slots, and more minutes never bring less', () => {
    expect(
      c.lengths.map((l) => l.minutes <= { Express: 30, Standard: 60, Full: 90 }[l.name as 'Full']),
    ).toEqual([true, true, true])
    const values = c.curve.flatMap((p) => p.value ?? [])
    expect(values.length).toBe(7)
    for (let i = 1; i < values.length; i++)
      expect(values[i]).toBeGreaterThanOrEqual(values[i - 1] ?? 0)
    expect(c.curve.find((p) => p.slot === 60)?.value).toBe(c.lengths[1]?.value)
  })
  it('schools differ in their main steps, and show only those', () => {
    expect(
      new Set(c.schools.map((s) => s.mains.map((m) => `${m.technique} ${m.minutes}`).join())).size,
    ).toBeGreaterThanOrEqual(3)
    for (const s of c.schools) expect(s.mains.some((m) => m.technique === 'close')).toBe(false)
  })
  it('says why where nothing fits', () => {
    const ill = compare(
      planInput({
        answers: input.answers,
        verdict: {
          ...input.verdict,
          prevented: [
            {
              rule: 'fever-visit',
              does: 'prevents',
              families: [],
              regions: [],
              sentence: 'Not today.',
              reason: 'ill',
              lifts: 'therapist',
              source: 'common practice',
            },
          ],
        },
      }),
    )
    expect(ill.lengths.every((l) => l.failed === 'Not today.')).toBe(true)
    expect(ill.curve.every((p) => p.value === null)).toBe(true)
  })
})
