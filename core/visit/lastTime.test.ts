import { describe, expect, it } from 'vitest'
import { DRANK_RULE } from '../catalogue/products/watering'
import { TECHNIQUES, type TechniqueId } from '../catalogue/techniques/techniques'
import { allowance } from '../planning/today/allowed'
import { visitBundle } from '../testing/bundle'
import { planInput, readAll, RESILIENT } from '../testing/fixtures'
import type { PastWork } from '../load/rest'
import { lastSettings, lastTimes, lastTimeWords, lastVisitWords } from './lastTime'
import { toPlanInput } from './planInput'

const line = {
  key: 'tip-1',
  technique: 'tip',
  name: 'Diamond tip',
  zones: 'face',
  plannedMinutes: 8,
  actualMinutes: 10,
  setting: 16,
  product: null,
  passes: 1,
  deviation: null,
} as const
const times = lastTimes({ lines: [line, { ...line, technique: 'gone by', setting: 3 }] })

const past = (taken: 'well' | 'badly', technique: TechniqueId = 'tip'): PastWork[] => [
  { day: '2026-02-01', families: ['abrasion'], regions: [], techniques: [technique], taken },
]

describe('what the last visit teaches', () => {
  it('is how it went, in a line where it acts; unknown work and old records say nothing', () => {
    expect(times).toEqual([{ technique: 'tip', minutes: 10, setting: 16 }])
    expect(lastTimes({ lines: [{ ...line, actualMinutes: null }] })).toEqual([])
    expect(lastTimes(null)).toEqual([])
    expect(times.map(lastTimeWords)).toEqual(['10 min, vacuum 16 kPa'])
  })
  it('a device begins where it ended, within what this skin may have today', () => {
    const read = readAll(RESILIENT)
    const input = planInput({ readings: read, lastSettings: lastSettings(times) })
    expect(allowance('tip', input).setting?.start).toBe(16)
    const over = planInput({ readings: read, lastSettings: { tip: 99 } })
    const own = allowance('tip', over).setting
    expect(own?.start).toBe(own?.most)
  })
  it('what is felt begins at the least, for a new client or one who did not take it well', () => {
    for (const { id, setting } of Object.values(TECHNIQUES)) {
      if (!setting) continue
      const startOf = (more: Parameters<typeof planInput>[0]) =>
        allowance(id, planInput({ readings: readAll(RESILIENT), ...more })).setting?.start
      // A lamp's irradiance and a steamer's distance are not felt as a level. Common practice.
      const felt = id !== 'blueLamp' && id !== 'redLamp' && id !== 'steam'
      const first = felt ? setting.least : setting.start
      expect(startOf({ past: [] }), id).toBe(first)
      expect(startOf({ past: past('badly', id) }), id).toBe(first)
      expect(startOf({ past: past('well', id) }), id).toBe(setting.start)
    }
  })
  it('and not where the last visit was too much', () => {
    const last = { at: 0, day: '2026-02-01', makeUp: [], times }
    expect(toPlanInput(visitBundle({ lastTime: last, past: past('well') })).lastSettings).toEqual({
      tip: 16,
    })
    expect(
      toPlanInput(visitBundle({ lastTime: last, past: past('badly') })).lastSettings,
    ).toBeUndefined()
  })
  it('begins the consultation: what was done, how it was taken, and what was reacted to', () => {
    expect(lastVisitWords([], [])).toBeUndefined()
    const past = [
      {
        day: '2026-01-02',
        families: [],
        regions: [],
        techniques: ['tip'],
        taken: 'badly' as const,
      },
      {
        day: '2025-12-01',
        families: [],
        regions: [],
        techniques: ['steam'],
        taken: 'well' as const,
      },
    ]
    const burned = { day: '2026-01-02', what: 'burning', productName: 'a cream' }
    expect(lastVisitWords(past, [burned])).toEqual({
      day: '2026-01-02',
      badly: true,
      text: 'diamond tip; it was too much; burning with a cream',
    })
  })
})

describe('zones that drank', () => {
  const bundle = visitBundle()
  const drankIt = lastTimes({
    lines: [{ ...line, technique: 'hydratingMask', absorbed: { cheekL: 3, chin: 1 } }],
  })
  it('stand in the words of last time and take a second layer, unless that is set aside', () => {
    expect(drankIt.map(lastTimeWords)).toEqual(['10 min, left cheek absorbed it at once'])
    const before = { at: bundle.now, day: bundle.today, makeUp: [], times: drankIt }
    expect(toPlanInput({ ...bundle, lastTime: before }).thirsty).toEqual(['cheekL'])
    const lifts = [
      { rule: DRANK_RULE, word: '', reason: 'one is enough', by: 'me', at: bundle.now },
    ]
    expect(toPlanInput({ ...bundle, lastTime: before, lifts }).thirsty).toEqual([])
    expect(toPlanInput({ ...bundle, lastTime: null }).thirsty).toEqual([])
  })
})
