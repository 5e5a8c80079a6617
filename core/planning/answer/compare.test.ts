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
  const comparison = compare(input)
  it('three lengths fit their slots, and more minutes never bring less', () => {
    expect(
      comparison.lengths.map(
        (length) =>
          length.minutes <= { Express: 30, Standard: 60, Full: 90 }[length.name as 'Full'],
      ),
    ).toEqual([true, true, true])
    const values = comparison.curve.flatMap((point) => point.value ?? [])
    expect(values.length).toBe(7)
    for (let i = 1; i < values.length; i++)
      expect(values[i]).toBeGreaterThanOrEqual(values[i - 1] ?? 0)
    expect(comparison.curve.find((point) => point.slot === 60)?.value).toBe(
      comparison.lengths[1]?.value,
    )
  })
  it('schools differ in their main steps, and show only those', () => {
    expect(
      new Set(
        comparison.schools.map((school) =>
          school.mains.map((main) => `${main.technique} ${main.minutes}`).join(),
        ),
      ).size,
    ).toBeGreaterThanOrEqual(3)
    for (const school of comparison.schools)
      expect(school.mains.some((main) => main.technique === 'close')).toBe(false)
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
    expect(ill.lengths.every((length) => length.failed === 'Not today.')).toBe(true)
    expect(ill.curve.every((point) => point.value === null)).toBe(true)
  })
})
