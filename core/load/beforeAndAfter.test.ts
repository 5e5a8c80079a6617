import { describe, expect, it } from 'vitest'
import { hadBefore, lastTaken, tookWell } from './had'
import type { PastWork } from './rest'
import { propose } from '../planning/answer/propose'
import { allowance } from '../planning/today/allowed'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../testing/fixtures'
import { beforeEvent, daysToEvent } from '../screening/verdict/eventAhead'
import { stepDownBars, steppedDown, stepsDown } from './stepDown'
import { STEP_DOWN_ROWS } from '../catalogue/skin/stepDown'
import { screen } from '../screening/verdict/verdict'

const tip = (day: string, taken?: 'well' | 'badly'): PastWork => ({
  day,
  families: [],
  regions: [],
  techniques: ['tip', 'serum'],
  ...(taken ? { taken } : {}),
})
const eventOn = (date: string) => {
  const answers = allNo({ eventSoon: { say: 'yes', date } })
  return { answers, verdict: screen(answers, TODAY) }
}

describe('what the record says of earlier visits', () => {
  it('knows what was had, and whether it was taken well the last time', () => {
    const past = [tip('2025-06-01', 'badly'), tip('2025-11-01', 'well')]
    expect(hadBefore(past, 'tip')).toBe(true)
    expect(hadBefore(past, 'crystals')).toBe(false)
    expect(tookWell(past, 'tip')).toBe(true)
    expect(tookWell([...past, tip('2026-01-01', 'badly')], 'tip')).toBe(false)
    expect(tookWell([tip('2025-11-01')], 'tip'), 'a record that does not say').toBe(false)
    expect(lastTaken([...past, tip('2026-01-01', 'badly')])).toBe('badly')
  })
})

describe('an event ahead', () => {
  it('counts whole days of the calendar, over the year too; no day counts as the nearest', () => {
    expect(daysToEvent(allNo({ eventSoon: { say: 'yes', date: '2026-03-17' } }), TODAY)).toBe(7)
    expect(
      daysToEvent(allNo({ eventSoon: { say: 'yes', date: '2027-01-02' } }), '2026-12-29'),
    ).toBe(4)
    expect(daysToEvent(allNo({ eventSoon: { say: 'yes' } }), TODAY)).toBe(0)
    expect(daysToEvent(allNo(), TODAY)).toBeUndefined()
    expect(beforeEvent(eventOn('2026-03-17').answers, TODAY), 'day seven').toBe(true)
    expect(beforeEvent(eventOn('2026-03-18').answers, TODAY)).toBe(false)
    expect(beforeEvent(eventOn('2026-03-09').answers, TODAY), 'it is over').toBe(false)
  })
  it('lets nothing new in for seven days; what was had before stays', () => {
    const before = eventOn('2026-03-14')
    const clay = (past: readonly PastWork[]) =>
      allowance('clay', planInput({ ...before, past })).never.map((why) => why.rule)
    expect(clay([])).toContain('event-new')
    expect(
      clay([{ day: '2025-12-01', families: ['clay'], regions: [], techniques: ['clay'] }]),
    ).toEqual([])
    expect(
      allowance('clay', planInput({ ...eventOn('2026-03-20') })).never.map((why) => why.rule),
    ).toEqual([])
  })
  it('asks seven days after a machine, two where it was had and taken well', () => {
    const barred = (date: string, past: readonly PastWork[]) =>
      allowance('tip', planInput({ ...eventOn(date), past })).never.some(
        (why) => why.rule === 'event-machine' || why.rule === 'event-new',
      )
    const well = [tip('2025-11-01', 'well')]
    expect(barred('2026-03-14', [])).toBe(true)
    expect(barred('2026-03-14', [tip('2025-11-01', 'badly')])).toBe(true)
    expect(barred('2026-03-14', [tip('2025-11-01')])).toBe(true)
    expect(barred('2026-03-14', well)).toBe(false)
    expect(barred('2026-03-12', well), 'two days').toBe(false)
    expect(barred('2026-03-11', well), 'tomorrow').toBe(true)
    expect(barred('2026-03-17', []), 'day seven').toBe(true)
  })
})

describe('one rung down', () => {
  it('takes the kind of work down after a visit that was too much, switched off it does not', () => {
    const badly = [tip('2026-01-01', 'badly')]
    const read = readAll(RESILIENT)
    const down = stepsDown(badly, read, read)
    expect(stepDownBars(down).flatMap(({ families }) => families)).toContain('abrasion')
    const input = planInput({ verdict: steppedDown(planInput().verdict, down) })
    expect(allowance('tip', input).never.map(({ rule }) => rule)).toContain('took-badly')
    expect(stepsDown(badly, read, read, [])).toEqual([])
    expect(steppedDown(input.verdict, [])).toBe(input.verdict)
  })
  const calm = readAll(RESILIENT)
  const touchy = readAll({ ...RESILIENT, sensitivity: 2 })
  it('follows a visit that was too much, and skin more sensitive than last time', () => {
    expect(stepsDown([tip('2026-01-01', 'badly')], calm, calm).map((own) => own.rule)).toEqual([
      'took-badly',
    ])
    expect(stepsDown([], touchy, calm).map((own) => own.rule)).toEqual(['more-sensitive'])
    expect(stepsDown([], calm, touchy)).toEqual([])
    expect(stepsDown([tip('2026-01-01', 'well')], calm, undefined)).toEqual([])
    const one = { ...calm, nose: { ...RESILIENT, sensitivity: 3 as const } }
    expect(stepsDown([], one, calm), 'one zone alone').toEqual([])
  })
  it('never allows more and never raises the worth of the best plan', () => {
    for (const aims of [
      ['congestion', 'dullness'],
      ['rest', 'firmness'],
    ] as const)
      for (const readings of [calm, touchy]) {
        const input = planInput({ readings, aims, school: 'brightLamp' })
        const down = steppedDown(
          input.verdict,
          STEP_DOWN_ROWS.filter(({ rule }) => rule === 'took-badly'),
        )
        expect(down.limit.tolerancePercent).toBeLessThan(input.verdict.limit.tolerancePercent)
        expect(propose({ ...input, verdict: down }).value).toBeLessThanOrEqual(propose(input).value)
        expect(down.limitRules.map((row) => row.rule)).toContain('took-badly')
      }
  })
})
