import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { pouredAtHome } from '../../load/home'
import { remainingAt } from '../../load/ledger'
import { mostExfoliations } from '../../planning/today/limits'
import { CONTRAINDICATIONS } from '../../catalogue/consultation/contraindications'
import { allNo, planInput } from '../../testing/fixtures'
import { startFrom, type Answer } from '../asking/answers'
import { screen } from './verdict'

const ZONE = 'Europe/Oslo'
const moment = (text: string) => DateTime.fromISO(text, { zone: ZONE }).toMillis()
/** Whether a shave at one wall-clock moment still bars work at another. */
function barred(shaved: string, visit: string, withHour = true): boolean {
  const answer: Answer = {
    say: 'yes',
    date: shaved.slice(0, 10),
    ...(withHour ? { at: moment(shaved) } : {}),
  }
  const verdict = screen(
    allNo({ shaveWax: answer }),
    visit.slice(0, 10),
    CONTRAINDICATIONS,
    moment(visit),
  )
  return verdict.bars.some((bar) => bar.rule === 'shave-day')
}

describe('hours are hours', () => {
  it('count from the moment told, over midnight', () => {
    expect(barred('2026-03-09T21:00', '2026-03-10T11:00')).toBe(true)
    expect(barred('2026-03-09T10:00', '2026-03-10T09:59')).toBe(true)
    expect(barred('2026-03-09T10:00', '2026-03-10T10:00')).toBe(false)
  })
  it('over the change of the clock, either way: the hour on the wall is not the measure', () => {
    // Summer time begins on 29 March 2026: that night has an hour less.
    expect(barred('2026-03-28T12:00', '2026-03-29T12:30')).toBe(true)
    expect(barred('2026-03-28T12:00', '2026-03-29T13:00')).toBe(false)
    // And ends on 25 October: that one has an hour more.
    expect(barred('2026-10-24T12:00', '2026-10-25T10:59')).toBe(true)
    expect(barred('2026-10-24T12:00', '2026-10-25T11:00')).toBe(false)
  })
  it('over the year', () => {
    expect(barred('2026-12-31T20:00', '2027-01-01T19:00')).toBe(true)
    expect(barred('2026-12-31T20:00', '2027-01-01T20:00')).toBe(false)
  })
  it('take the careful end where only the day was told, and where no moment is known', () => {
    expect(barred('2026-03-09T10:00', '2026-03-10T20:00', false)).toBe(true)
    expect(barred('2026-03-09T10:00', '2026-03-11T08:00', false)).toBe(false)
    const answers = allNo({
      shaveWax: { say: 'yes', date: '2026-03-01', at: moment('2026-03-01T10:00') },
    })
    expect(screen(answers, '2026-03-10').bars.some((bar) => bar.rule === 'shave-day')).toBe(true)
  })
  it('are not carried over from last time', () => {
    const before: Answer = { say: 'yes', date: '2026-03-01', at: 1, zones: [] }
    expect(startFrom(before, false)).not.toHaveProperty('at')
    expect(startFrom(before, true)).not.toHaveProperty('at')
  })
})

describe('home use of today counts today', () => {
  const today = '2026-03-10'
  const visit = moment('2026-03-10T11:00')
  const left = (answer: Answer) =>
    remainingAt(
      pouredAtHome(allNo({ homeScrub: answer }), today, 'UTC', { until: visit }),
      visit,
      24,
    ).forehead
  it('at the hour told: this morning weighs more than last night, last night more than days ago', () => {
    const morning = left({ say: 'yes', date: today, at: moment('2026-03-10T08:00') })
    const night = left({ say: 'yes', date: '2026-03-09', at: moment('2026-03-09T21:00') })
    const earlier = left({ say: 'yes', date: '2026-03-07', at: moment('2026-03-07T21:00') })
    expect(morning).toBeGreaterThan(night)
    expect(night).toBeGreaterThan(earlier)
    expect(earlier).toBeGreaterThan(0)
  })
  it('is the first exfoliation of the day, whatever it was', () => {
    for (const finding of ['homeScrub', 'homeAcid', 'shaveWax'] as const) {
      const most = (date: string) => {
        const answers = allNo({ [finding]: { say: 'yes', date } })
        return mostExfoliations(planInput({ today, school: 'brightLamp', answers }))
      }
      expect(most(today), finding).toBe(most('2026-02-01') - 1)
    }
  })
})
