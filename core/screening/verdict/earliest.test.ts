import { describe, expect, it } from 'vitest'
import { REGION_IDS } from '../../face/zones'
import { allNo } from '../../testing/fixtures'
import { restBars } from '../../load/rest'
import { earliestDays } from './earliest'
import { screen } from './verdict'

const TODAY = '2026-03-10'
const tip = { day: '2026-03-01', families: ['abrasion'] as const, regions: REGION_IDS }

describe('the earliest day for each kind of work', () => {
  it('is the latest of all that keep it waiting', () => {
    const bars = restBars([tip, { ...tip, day: '2026-03-05' }], TODAY)
    const [abrasion] = earliestDays(bars, TODAY).filter((one) => one.family === 'abrasion')
    const untils = bars
      .filter((bar) => bar.families.includes('abrasion'))
      .map((bar) => bar.until ?? '')
    expect(abrasion?.day).toBe([...untils].sort().at(-1))
    expect(abrasion?.where).toBe('')
  })
  it('names the zones where it is not all of the face, and ends on its day', () => {
    const answers = allNo({ filler: { say: 'yes', date: '2026-03-02', zones: ['cheekL'] } })
    const waits = earliestDays(screen(answers, TODAY).bars, TODAY)
    expect(waits.length).toBeGreaterThan(0)
    for (const one of waits) {
      expect(one.where).not.toBe('')
      expect(one.day > TODAY).toBe(true)
      const bars = screen(answers, one.day).bars.filter(({ families }) =>
        families.includes(one.family),
      )
      expect(bars).toEqual([])
    }
  })
  it('is empty where nothing waits', () => {
    expect(earliestDays(screen(allNo(), TODAY).bars, TODAY)).toEqual([])
  })
})
