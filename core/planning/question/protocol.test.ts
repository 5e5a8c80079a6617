import { describe, expect, it } from 'vitest'
import { screen } from '../../screening/verdict/verdict'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { checkPlan, isFit } from '../checks/check'
import { changedMains } from '../answer/compare'
import { leftOut } from '../answer/leftOut'
import { asProtocol, changedProtocol, protocolFor, protocolMinutes } from './protocol'
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
    const proposal = propose({ ...input, pins: [massage] })
    expect(proposal.failed).toBeUndefined()
    expect(proposal.steps.find((step) => step.technique === 'massage')).toMatchObject({
      minutes: minutes(7),
      regions: massage.regions,
      productId: 'massageOil',
      pinned: true,
    })
    expect(isFit(checkPlan(input, proposal.steps))).toBe(true)
    expect(proposal.value).toBeLessThanOrEqual(propose(input).value)
  })
  it('pinning what the best plan holds anyway changes nothing', () => {
    const mask = first
      .filter(
        (step) => TECHNIQUES[step.technique].dwell && TECHNIQUES[step.technique].stage === 'mask',
      )
      .slice(0, 4)
    expect(mask.length).toBeGreaterThan(0)
    const again = propose({ ...input, pins: mask })
    expect(again.steps.map((step) => [step.technique, step.minutes])).toEqual(
      first.map((step) => [step.technique, step.minutes]),
    )
  })
  it('are refused by name where they may not be done today, and nothing is rewritten', () => {
    const wand = first.find((step) => step.technique === 'highFrequency') ?? {
      key: 'highFrequency-1',
      technique: 'highFrequency' as const,
      minutes: minutes(3),
      regions: ['forehead'] as const,
      why: [],
    }
    const proposal = propose({ ...input, ...pregnant, pins: [{ ...wand, pinned: true }] })
    expect(proposal.failed).toMatchObject({ rule: 'pregnancy-current' })
    expect(proposal.failed?.text).toMatch(/^High frequency is pinned, but/)
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
    const proposal = propose({ ...input, protocol: steps })
    const mains = asProtocol(proposal.steps, () => undefined).map((step) => step.technique)
    for (const step of steps) expect(mains).toContain(step.technique)
    for (const main of mains)
      expect([
        ...steps.map((step) => step.technique as string),
        'settle',
        'eyesOff',
        'milk',
        'secondReading',
        'moisturiser',
        'sunProtection',
        'close',
        'tone',
      ]).toContain(main)
    expect(notTaken({ ...input, protocol: steps }, proposal.steps, steps)).toEqual([])
    expect(isFit(checkPlan(input, proposal.steps))).toBe(true)
  })
  it('say what this client cannot have, and why', () => {
    const proposal = propose({ ...input, ...pregnant, protocol: steps })
    expect(proposal.steps.some((step) => step.technique === 'highFrequency')).toBe(false)
    expect(
      notTaken({ ...input, ...pregnant, protocol: steps }, proposal.steps, steps),
    ).toMatchObject([{ technique: 'highFrequency', why: { rule: 'pregnancy-current' } }])
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
    const rests = schedule(own, (step) =>
      TECHNIQUES[step.technique].dwell
        ? { earliest: minutes(0), latest: minutes(99), late: 'harmless' }
        : undefined,
    ).resting
    const kept = asProtocol(own, (key) => {
      const rest = rests.find((resting) => resting.key === key)
      return rest && rest.end - rest.start
    })
    const again = propose({ ...input, protocol: kept }).steps
    expect(again.map((step) => step.technique).sort()).toEqual(
      own.map((step) => step.technique).sort(),
    )
  })
})

describe('a plan kept as a protocol', () => {
  it('names each technique once, however often the plan has it', () => {
    const own = propose(input).steps
    const twice = [...own, ...own.map((step) => ({ ...step, key: `${step.key}9` }))]
    const kept = asProtocol(twice, () => undefined)
    expect(new Set(kept.map(({ technique }) => technique)).size).toBe(kept.length)
    expect(kept).toEqual(asProtocol(own, () => undefined))
  })
})

describe('a full protocol and its express one', () => {
  const full = { id: 'lake', expressOf: null }
  const express = { id: 'lake-express', expressOf: 'lake' }
  const other = { id: 'stove', expressOf: null }
  const offered = [express, other, full]
  it('is one of the two by the length of the visit, whichever of them was named', () => {
    for (const id of ['lake', 'lake-express'])
      for (let minutes = 15; minutes <= 180; minutes += 5)
        expect(protocolFor(offered, id, minutes), `${minutes}`).toBe(minutes < 45 ? express : full)
  })
  it('is the full one where there is no other, and none where nothing is offered', () => {
    expect(protocolFor(offered, 'stove', 30)).toBe(other)
    expect(protocolFor([full], 'lake', 30)).toBe(full)
    expect(protocolFor([express], 'lake-express', 90)).toBe(express)
    expect(protocolFor(offered, 'gone', 60)).toBeUndefined()
  })
})

describe('beside another plan', () => {
  it('names what is new, gone and longer', () => {
    const before = propose({ ...input, slotMinutes: 40 }).steps
    const now = propose(input).steps
    const rows = changedMains(before, now)
    expect(rows.every((row) => row.was !== null || row.is !== null)).toBe(true)
    expect(changedMains(now, now).every((changedMain) => changedMain.was === changedMain.is)).toBe(
      true,
    )
    expect(rows.length).toBeGreaterThan(3)
  })
  it('prices everything that could be dropped in, what only wants minutes first', () => {
    const out = leftOut({ ...input, slotMinutes: 45 }, propose({ ...input, slotMinutes: 45 }).steps)
    expect(out.length).toBeGreaterThan(15)
    for (const leftOut of out) expect(leftOut.why.text.length, leftOut.technique).toBeGreaterThan(3)
    const kinds = out.map((leftOut) =>
      leftOut.extraMinutes !== undefined ? 0 : leftOut.why.rule === 'value' ? 1 : 2,
    )
    expect(kinds).toEqual([...kinds].sort((one, other) => one - other))
  })
})
