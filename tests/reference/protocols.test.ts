import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'
import { checkPlan, isFit } from '#core/planning/checks/check'
import { leftOut } from '#core/planning/answer/leftOut'
import { propose } from '#core/planning/answer/propose'
import { deriveProfile } from '#core/skin/profile'
import { planInput } from '#core/testing/fixtures'
import { demoInput } from '../support/demoClients'
import { CASES, type Plan } from './writtenCases'

describe('written cases', () => {
  it('are more than twenty, all eight demo clients among them, each resting on a rule or on common practice', () => {
    expect(CASES.length).toBeGreaterThanOrEqual(24)
    for (const c of CASES)
      for (const e of c.expect) expect(e.because.length, `${c.name}: ${e.says}`).toBeGreaterThan(4)
  })
  for (const c of CASES)
    it(c.name, () => {
      const { steps, failed } = propose(c.input)
      expect(failed).toBeUndefined()
      expect(isFit(checkPlan(c.input, steps))).toBe(true)
      const plan: Plan = { input: c.input, steps, out: leftOut(c.input, steps) }
      const told = steps.map((s) => `${s.technique} ${s.minutes}`).join(' · ')
      for (const e of c.expect)
        expect(
          e.holds(plan),
          `${e.says} (${e.because}) in: ${told} | out: ${plan.out.map((l) => `${l.technique} ${l.why.rule}`).join(', ')}`,
        ).toBe(true)
    })
  it('the schools give visibly different plans for the same client', () => {
    const plans = SCHOOL_IDS.map((school) =>
      propose(demoInput('bride', { school }))
        .steps.map((s) => s.technique)
        .filter((t) => !['blot', 'mist', 'rinse', 'wait', 'tone'].includes(t)),
    )
    for (let i = 0; i < plans.length; i++)
      for (let j = i + 1; j < plans.length; j++) {
        const [a, b] = [new Set(plans[i]), new Set(plans[j])]
        expect(
          [...a].filter((t) => !b.has(t)).length + [...b].filter((t) => !a.has(t)).length,
          `${SCHOOL_IDS[i] ?? ''} and ${SCHOOL_IDS[j] ?? ''}`,
        ).toBeGreaterThanOrEqual(2)
      }
  })
  it('a skin nobody has read is planned as sensitive', () => {
    const p = propose(
      planInput({ profile: deriveProfile({}, 40), school: 'brightLamp', aims: ['dullness'] }),
    )
    expect(
      p.steps.some(
        (s) => s.technique === 'grain' || (s.technique === 'tip' && (s.passes ?? 1) > 1),
      ),
    ).toBe(false)
  })
})
