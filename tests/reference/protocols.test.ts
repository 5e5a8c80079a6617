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
    for (const written of CASES)
      for (const expectation of written.expect)
        expect(expectation.because.length, `${written.name}: ${expectation.says}`).toBeGreaterThan(
          4,
        )
  })
  for (const written of CASES)
    it(written.name, () => {
      const { steps, failed } = propose(written.input)
      expect(failed).toBeUndefined()
      expect(isFit(checkPlan(written.input, steps))).toBe(true)
      const plan: Plan = { input: written.input, steps, out: leftOut(written.input, steps) }
      const told = steps.map((step) => `${step.technique} ${step.minutes}`).join(' · ')
      const out = plan.out.map((left) => `${left.technique} ${left.why.rule}`).join(', ')
      for (const expectation of written.expect)
        expect(
          expectation.holds(plan),
          `${expectation.says} (${expectation.because}) in: ${told} | out: ${out}`,
        ).toBe(true)
    })
  it('the schools give visibly different plans for the same client', () => {
    const plans = SCHOOL_IDS.map((school) =>
      propose(demoInput('bride', { school }))
        .steps.map((step) => step.technique)
        .filter((technique) => !['blot', 'mist', 'rinse', 'wait', 'tone'].includes(technique)),
    )
    for (let i = 0; i < plans.length; i++)
      for (let j = i + 1; j < plans.length; j++) {
        const [key, value] = [new Set(plans[i]), new Set(plans[j])]
        expect(
          [...key].filter((technique) => !value.has(technique)).length +
            [...value].filter((technique) => !key.has(technique)).length,
          `${SCHOOL_IDS[i] ?? ''} and ${SCHOOL_IDS[j] ?? ''}`,
        ).toBeGreaterThanOrEqual(2)
      }
  })
  it('a skin nobody has read is planned as sensitive', () => {
    const proposal = propose(
      planInput({ profile: deriveProfile({}, 40), school: 'brightLamp', aims: ['dullness'] }),
    )
    expect(
      proposal.steps.some(
        (step) =>
          step.technique === 'grain' || (step.technique === 'tip' && (step.passes ?? 1) > 1),
      ),
    ).toBe(false)
  })
})
