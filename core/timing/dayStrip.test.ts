import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import { TECHNIQUE_IDS } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'
import { minutes } from '../units'
import { stripParts } from './dayStrip'

const step = (
  technique: PlanStep['technique'],
  took: number,
  key: string = technique,
): PlanStep => ({
  key,
  technique,
  minutes: minutes(took),
  regions: GROUPS.face,
  why: [],
})

describe('a plan folded small', () => {
  it('is hands, then what works, then what rests, in its own order', () => {
    const parts = stripParts([
      step('milk', 3),
      step('tip', 8),
      step('hydratingMask', 2),
      step('massage', 10),
      step('maskOff', 2),
    ])
    expect(parts).toEqual([
      { kind: 'hands', minutes: 3 },
      { kind: 'works', minutes: 8 },
      { kind: 'hands', minutes: 2 },
      { kind: 'rests', minutes: 10 },
      { kind: 'hands', minutes: 2 },
    ])
  })
  it('has every minute of the plan once, and never like beside like', () => {
    const one = fc.record({
      technique: fc.constantFrom(...TECHNIQUE_IDS),
      took: fc.integer({ min: 1, max: 20 }),
    })
    fc.assert(
      fc.property(fc.array(one, { maxLength: 14 }), (list) => {
        const parts = stripParts(
          list.map(({ technique, took }, at) => step(technique, took, `${at}`)),
        )
        const sum = (own: readonly { minutes: number }[]) =>
          own.reduce((all, { minutes: each }) => all + each, 0)
        expect(sum(parts)).toBe(list.reduce((all, { took }) => all + took, 0))
        parts.slice(1).forEach((part, at) => expect(part.kind).not.toBe(parts[at]?.kind))
      }),
    )
  })
})
