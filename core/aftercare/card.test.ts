import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { AFTERCARE } from '../catalogue/rules/aftercare'
import { TECHNIQUES, TECHNIQUE_IDS, type TechniqueId } from '../catalogue/techniques/techniques'
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
  it('keeps what reacts to light out of the sun for twelve hours, whatever else was done', () => {
    const rules = (lightReactive: boolean) =>
      aftercareCard(['milk', 'tip'], false, 0, { lightReactive }).flatMap(({ rule, until }) =>
        rule === 'sun-citrus' ? [until / hour] : [],
      )
    expect(rules(true)).toEqual([12])
    expect(rules(false)).toEqual([])
  })
  it('asks for the plainest care after a stop', () => {
    const rules = aftercareCard(['milk'], true, 0).map((line) => line.rule)
    expect(rules).toContain('stopped-products')
  })
  it('never asks for less after more was done: each part as long as before, or longer', () => {
    const asked = (lines: ReturnType<typeof aftercareCard>) => {
      const until = new Map<string, number>()
      for (const line of lines)
        for (const part of AFTERCARE.find((row) => row.id === line.rule)?.asks ?? [])
          until.set(part, Math.max(until.get(part) ?? 0, line.until))
      return until
    }
    const some = fc.subarray([...TECHNIQUE_IDS])
    fc.assert(
      fc.property(some, some, fc.boolean(), (one, other, stopped) => {
        const less = asked(aftercareCard(one, stopped, 0))
        const more = asked(aftercareCard([...one, ...other], stopped, 0))
        for (const [part, until] of less)
          expect(more.get(part) ?? 0, part).toBeGreaterThanOrEqual(until)
      }),
    )
  })
  it('keeps the shorter but stricter line beside the longer one', () => {
    const rules = aftercareCard(['tip', 'acidMask'], false, 0).map((line) => line.rule)
    expect(rules).toEqual(expect.arrayContaining(['sun-tip', 'sun-acid']))
    const fresh = aftercareCard(['tip'], false, 0).filter((line) => line.topic === 'products')
    expect(fresh.map((line) => line.rule)).toEqual([
      'products-tip',
      'products-calm',
      'products-strong',
    ])
    expect(rules).not.toContain('sun-any')
  })
  it('speaks of the other half where one is left, and of none otherwise', () => {
    const rules = (left: boolean) =>
      aftercareCard(['ampoule'], false, 0, { halfLeft: left }).map((line) => line.rule)
    expect(rules(true)).toContain('half-ampoule')
    expect(rules(false)).not.toContain('half-ampoule')
  })
  it('is stricter on sun, longer, where the skin marks or minds the light, after work alone', () => {
    const sun = (done: TechniqueId[], marks: boolean) =>
      topic(aftercareCard(done, false, 0, { marks }), 'sun')
    expect(sun(['acidMask'], true)?.until).toBeGreaterThan(sun(['acidMask'], false)?.until ?? 0)
    expect(sun(['milk'], true)).toEqual(sun(['milk'], false))
  })
  it('names no evening or day in words beside the hour it ends at', () => {
    for (const { id, sentence, hours } of AFTERCARE)
      if (hours > 0.5) expect(sentence, id).not.toMatch(/\b(tonight|today|for a day)\b/)
  })
  it('counts extraction, acid and a shave of the brows for make-up', () => {
    for (const done of ['extraction', 'acidMask', 'enzyme'] as const)
      expect(topic(aftercareCard([done], false, 0), 'makeUp')?.until).toBe(12 * hour)
  })
  it('has a case for every row, and misses it when the row is gone', () => {
    for (const row of AFTERCARE) {
      const rest = AFTERCARE.filter((aftercare) => aftercare.id !== row.id)
      const done = TECHNIQUE_IDS.filter(
        (technique) =>
          typeof row.after === 'string' ||
          TECHNIQUES[technique].families.some((family) => row.after.includes(family)),
      )
      const fires = (rows: typeof AFTERCARE) =>
        done.some((technique) =>
          aftercareCard(
            [technique],
            row.after === 'stopped',
            0,
            {
              halfLeft: row.after === 'halfLeft',
              lightReactive: row.after === 'lightReactive',
              marks: row.marks === true,
            },
            rows,
          ).some((aftercareLine) => aftercareLine.rule === row.id),
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

describe('a mask slept in', () => {
  it('is left on until the morning, which the card says, and no card of another visit', () => {
    const says = (...done: readonly TechniqueId[]) =>
      aftercareCard(done, false, 0).map(({ sentence }) => sentence)
    expect(says('moisturiser', 'sleepMask').join()).toContain('Leave the mask on overnight')
    expect(says('moisturiser', 'hydratingMask').join()).not.toContain('overnight')
  })
})
