import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { planInput } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { lengthsOf, shareOf, underUsual, wholeOf } from './lengths'

const upTo = (minutesMost: number) => ({ minutesMost, minutesLeast: 0 })
const EVEN = { unhurried: false }
const UNHURRIED = { unhurried: true }

describe('usual minutes', () => {
  it('are given or the step is left out; short ones are for an express visit only', () => {
    expect(lengthsOf(TECHNIQUES.massage, upTo(20), 60, EVEN)).toEqual([10])
    expect(lengthsOf(TECHNIQUES.massage, upTo(20), 30, EVEN)).toEqual([5, 10, 15])
    expect(lengthsOf(TECHNIQUES.massage, upTo(20), 60, UNHURRIED)).toEqual([10, 15])
  })
  it('are left out where this skin may have less; in an express visit it gets that', () => {
    expect(lengthsOf(TECHNIQUES.steam, upTo(3), 60, EVEN)).toEqual([])
    expect(lengthsOf(TECHNIQUES.steam, upTo(5), 60, EVEN)).toEqual([5])
    expect(lengthsOf(TECHNIQUES.steam, upTo(3), 30, EVEN)).toEqual([3])
    expect(lengthsOf(TECHNIQUES.steam, upTo(2), 30, EVEN)).toEqual([])
    expect(underUsual(TECHNIQUES.steam, 3, 60)).toBe(true)
    expect(underUsual(TECHNIQUES.steam, 3, 30)).toBe(false)
    expect(underUsual(TECHNIQUES.tone, 0.5, 60)).toBe(false)
  })
  it('bring more up to their whole and no further', () => {
    expect(wholeOf(TECHNIQUES.massage, EVEN)).toBe(10)
    expect(shareOf(TECHNIQUES.massage, 5, EVEN)).toBe(0.5)
    expect(shareOf(TECHNIQUES.massage, 15, EVEN)).toBe(1)
    expect(shareOf(TECHNIQUES.massage, 10, UNHURRIED)).toBeLessThan(1)
  })
  it('hold in the plans of every school from the standard visit on', () => {
    for (const school of SCHOOL_IDS)
      for (const slotMinutes of [45, 60, 75, 90])
        for (const { technique, minutes } of propose(
          planInput({ school, slotMinutes, aims: ['rest', 'congestion', 'firmness'] }),
        ).steps) {
          const { usual } = TECHNIQUES[technique].minutes
          if (usual !== undefined)
            expect(minutes, `${technique} in ${school}, ${slotMinutes}`).toBeGreaterThanOrEqual(
              usual,
            )
        }
  })
})
