import { describe, expect, it } from 'vitest'
import { screen } from '../../screening/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { checkPlan, isFit } from '../checks/check'
import { changedMains } from '../answer/compare'
import { leftOut } from '../answer/leftOut'
import { asProtocol, changedProtocol, protocolMinutes } from './protocol'
import { notTaken } from '../answer/protocolGaps'
import { propose } from '../answer/propose'
import { schedule } from '../../timing/schedule'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { minutes } from '../../units'

const input = planInput({
  school: 'brightLamp',
  aims: ['dullness', 'congestion'],
  readings: readAll({ ...RESILIENT, congestion: 3 }),
  slotMinutes: 75,
})
const pregnant = (() => {
  const answers = allNo({ pregnancy: { say: 'yes' } })
  return { answers, verdict: screen(answers, TODAY) }
})()

describe('pinned steps', () => {
  const first = propose(input).steps
  it('stay as they are while the rest is planned around them', () => {
    const massage = {
      key: 'massage-1',
      technique: 'massage' as const,
      minutes: minutes(7),
      regions: ['forehead', 'cheekL', 'cheekR'] as const,
      productId: 'massageOil',
      pinned: true,
      why: [],
    }
    const p = propose({ ...input, pins: [massage] })
    expect(p.failed).toBeUndefined()
    expect(p.steps.find((s) => s.technique === 'massage')).toMatchObject({
      minutes: minutes(7),
      regions: massage.regions,
      productId: 'massageOil',
      pinned: true,
    })
    expect(isFit(checkPlan(input, p.steps))).toBe(true)
    expect(p.value).toBeLessThanOrEqual(propose(input).value)
  })
  it('pinning what the best plan holds anyway changes nothing', () => {
    const mask = first
      .filter((s) => TECHNIQUES[s.technique].dwell && TECHNIQUES[s.technique].stage === 'mask')
      .slice(0, 4)
    expect(mask.length).toBeGreaterThan(0)
    const again = propose({ ...input, pins: mask })
    expect(again.steps.map((s) => [s.technique, s.minutes])).toEqual(
      first.map((s) => [s.technique, s.minutes]),
    )
  })
  it('are refused by name where they may not be done today, and nothing is rewritten', () => {
    const wand = first.find((s) => s.technique === 'highFrequency') ?? {
      key: 'highFrequency-1',
      technique: 'highFrequency' as const,
      minutes: minutes(3),
      regions: ['forehead'] as const,
      why: [],
    }
    const p = propose({ ...input, ...pregnant, pins: [{ ...wand, pinned: true }] })
    expect(p.failed).toMatchObject({ rule: 'pregnancy-current' })
    expect(p.failed?.text).toMatch(/^High frequency is pinned, but/)
    expect(
      propose({
        ...input,
        slotMinutes: 25,
        pins: [
          {
            key: 'hardeningMask-1',
            technique: 'hardeningMask',
            minutes: minutes(3),
            regions: ['forehead'],
            productId: 'hardeningPowder',
            why: [],
          },
        ],
      }).failed?.rule,
    ).toBe('pinned')
  })
})

describe('protocols of the house', () => {
  const steps = [
    { technique: 'secondCleanse', minutes: 2 },
    { technique: 'grain', minutes: 1 },
    { technique: 'highFrequency', minutes: 3 },
    { technique: 'clay', minutes: 8 },
  ] as const
  it('plan what they name, about as long, and nothing else but what every visit needs', () => {
    const p = propose({ ...input, protocol: steps })
    const mains = asProtocol(p.steps, () => undefined).map((s) => s.technique)
    for (const s of steps) expect(mains).toContain(s.technique)
    for (const t of mains)
      expect([
        ...steps.map((s) => s.technique as string),
        'settle',
        'eyesOff',
        'milk',
        'secondReading',
        'moisturiser',
        'sunProtection',
        'close',
        'tone',
      ]).toContain(t)
    expect(notTaken({ ...input, protocol: steps }, p.steps, steps)).toEqual([])
    expect(isFit(checkPlan(input, p.steps))).toBe(true)
  })
  it('say what this client cannot have, and why', () => {
    const p = propose({ ...input, ...pregnant, protocol: steps })
    expect(p.steps.some((s) => s.technique === 'highFrequency')).toBe(false)
    expect(notTaken({ ...input, ...pregnant, protocol: steps }, p.steps, steps)).toMatchObject([
      { technique: 'highFrequency', why: { rule: 'pregnancy-current' } },
    ])
  })
  it('say what one version changed against another', () => {
    const next = [
      { technique: 'secondCleanse' as const, minutes: 2 },
      { technique: 'grain' as const, minutes: 2 },
      { technique: 'cold' as const, minutes: 2 },
    ]
    expect(changedProtocol(steps, next)).toEqual({
      added: [{ technique: 'cold', minutes: 2 }],
      gone: [
        { technique: 'highFrequency', minutes: 3 },
        { technique: 'clay', minutes: 8 },
      ],
      other: [{ technique: 'grain', was: 1, is: 2 }],
    })
    expect(changedProtocol(steps, steps)).toEqual({ added: [], gone: [], other: [] })
    expect(protocolMinutes(steps)).toBe(14)
  })
  it('are kept from a plan with its minutes on the skin, and give that plan back', () => {
    const own = propose(input).steps
    const rests = schedule(own, (s) =>
      TECHNIQUES[s.technique].dwell
        ? { earliest: minutes(0), latest: minutes(99), late: 'harmless' }
        : undefined,
    ).resting
    const kept = asProtocol(own, (key) => {
      const r = rests.find((x) => x.key === key)
      return r && r.end - r.start
    })
    const again = propose({ ...input, protocol: kept }).steps
    expect(again.map((s) => s.technique).sort()).toEqual(own.map((s) => s.technique).sort())
  })
})

describe('beside another plan', () => {
  it('names what is new, gone and longer', () => {
    const before = propose({ ...input, slotMinutes: 40 }).steps
    const now = propose(input).steps
    const rows = changedMains(before, now)
    expect(rows.every((r) => r.was !== null || r.is !== null)).toBe(true)
    expect(changedMains(now, now).every((r) => r.was === r.is)).toBe(true)
    expect(rows.length).toBeGreaterThan(3)
  })
  it('prices everything that could be dropped in, what only wants minutes first', () => {
    const out = leftOut({ ...input, slotMinutes: 45 }, propose({ ...input, slotMinutes: 45 }).steps)
    expect(out.length).toBeGreaterThan(15)
    for (const l of out) expect(l.why.text.length, l.technique).toBeGreaterThan(3)
    const kinds = out.map((l) =>
      l.extraMinutes !== undefined ? 0 : l.why.rule === 'value' ? 1 : 2,
    )
    expect(kinds).toEqual([...kinds].sort((a, b) => a - b))
  })
})
