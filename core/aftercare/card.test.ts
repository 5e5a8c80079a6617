import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AFTERCARE } from '../catalogue/rules/aftercare'
import { TECHNIQUES, TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { suggestNext } from '../course/next'
import { aftercareCard, endsWithDay } from './card'

const hour = 3_600_000
const topic = (lines: ReturnType<typeof aftercareCard>, name: string) =>
  lines.find((line) => line.topic === name)

describe('aftercare card', () => {
  it('keeps the strictest of each topic with its real end', () => {
    const card = aftercareCard(['grain', 'tip'], false, 1000 * hour)
    expect(topic(card, 'exfoliation')).toMatchObject({ rule: 'exfoliate-tip', until: 1672 * hour })
    expect(topic(card, 'makeUp')).toMatchObject({ rule: 'makeup-tip', until: 1024 * hour })
  })
  it('is gentle after a gentle visit and says nothing after none', () => {
    expect(topic(aftercareCard(['milk', 'moisturiser'], false, 0), 'makeUp')?.until).toBe(
      0.5 * hour,
    )
    expect(aftercareCard([], false, 0)).toEqual([])
  })
  it('ends a rest of hours at its hour, and one of days with its day', () => {
    for (const hours of [0.5, 12, 24, 40])
      expect(endsWithDay(1000 * hour + hours * hour, 1000 * hour)).toBe(false)
    for (const hours of [41, 48, 168])
      expect(endsWithDay(1000 * hour + hours * hour, 1000 * hour)).toBe(true)
  })
  it('asks for the plainest care after a stop', () => {
    expect(topic(aftercareCard(['milk'], true, 0), 'products')?.rule).toBe('stopped-products')
  })
  it('never asks for less after more was done', () => {
    fc.assert(
      fc.property(
        fc.subarray([...TECHNIQUE_IDS]),
        fc.subarray([...TECHNIQUE_IDS]),
        fc.boolean(),
        (one, other, stopped) => {
          const less = aftercareCard(one, stopped, 0)
          const more = aftercareCard([...one, ...other], stopped, 0)
          for (const aftercareLine of less)
            expect(topic(more, aftercareLine.topic)?.until).toBeGreaterThanOrEqual(
              aftercareLine.until,
            )
        },
      ),
    )
  })
  it('has a case for every row, and misses it when the row is gone', () => {
    for (const row of AFTERCARE) {
      const rest = AFTERCARE.filter((aftercare) => aftercare.id !== row.id)
      const done = TECHNIQUE_IDS.filter(
        (technique) =>
          row.after === 'any' ||
          row.after === 'stopped' ||
          TECHNIQUES[technique].families.some((family) => row.after.includes(family)),
      )
      const fires = (rows: typeof AFTERCARE) =>
        done.some((technique) =>
          aftercareCard([technique], row.after === 'stopped', 0, rows).some(
            (aftercareLine) => aftercareLine.rule === row.id,
          ),
        )
      expect(fires(AFTERCARE), row.id).toBe(true)
      expect(fires(rest), row.id).toBe(false)
    }
  })
})

describe('next visit', () => {
  it('comes in four weeks, later only where rest is longer', () => {
    expect(suggestNext(['milk'], '2026-03-10')).toMatchObject({
      day: '2026-04-07',
      rule: 'course-usual',
    })
    expect(suggestNext(['tip'], '2026-03-10').day >= '2026-04-07').toBe(true)
  })
})
