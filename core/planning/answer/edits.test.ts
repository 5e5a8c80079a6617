import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { FINDING_IDS } from '../../catalogue/consultation/findings'
import type { Answer } from '../../screening/asking/answers'
import { screen } from '../../screening/verdict/verdict'
import { allNo, planInput, TODAY } from '../../testing/fixtures'
import { checkPlan, freshStep, placeFor } from '../checks/check'
import { applyEdits, diffPlans } from '../steps/edit'
import { propose } from './propose'
import { minutes } from '../../units'

const withYes = (id: (typeof FINDING_IDS)[number], more: Partial<Answer> = {}) => {
  const answers = allNo({ [id]: { say: 'yes', ...more } })
  return { answers, verdict: screen(answers, TODAY) }
}
describe('edits', () => {
  const input = planInput({
    school: 'brightLamp',
    named: ['tip'],
    aims: ['dullness', 'congestion'],
  })
  const steps = propose(input).steps
  const rules = (next: typeof steps) =>
    checkPlan(input, next).findings.map((finding) => finding.rule)
  const tip = steps.find((step) => step.technique === 'tip')
  it('sees a third pass, too long a warmth, a step out of place, and offers a mend that works', () => {
    if (!tip) throw new Error('the plan has no tip')
    const third = applyEdits(steps, [{ do: 'set', key: tip.key, patch: { passes: 3 } }])
    expect(rules(third)).toContain('pass-limit')
    const mend = checkPlan(input, third).findings.find((finding) => finding.rule === 'pass-limit')
      ?.mends[0]
    expect(rules(applyEdits(third, mend?.edits ?? []))).not.toContain('pass-limit')
    expect(
      rules(applyEdits(steps, [{ do: 'move', key: tip.key, before: steps[1]?.key ?? null }])),
    ).toContain('surface')
    expect(rules(applyEdits(steps, [{ do: 'remove', key: 'sunProtection-1' }]))).toContain(
      'must-sun',
    )
    const takesOff = ['maskOff', 'lampOff', 'rollOffRub']
    expect(rules(steps.filter((step) => !takesOff.includes(step.technique)))).toContain('left-on')
  })
  it('offers mends that each take their finding away', () => {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.nat(),
        fc.constantFrom('move', 'remove', 'longer'),
        (other, elsewhere, what) => {
          const one = steps[other % steps.length]
          const before = steps[elsewhere % steps.length]
          if (!one) return
          const broken = applyEdits(steps, [
            what === 'move'
              ? { do: 'move', key: one.key, before: before?.key ?? null }
              : what === 'remove'
                ? { do: 'remove', key: one.key }
                : { do: 'set', key: one.key, patch: { minutes: minutes(40) } },
          ])
          for (const finding of checkPlan(input, broken).findings)
            for (const mend of finding.mends) {
              const all = checkPlan(input, applyEdits(broken, mend.edits)).findings
              const after = all.filter(
                (planFinding) =>
                  planFinding.rule === finding.rule &&
                  planFinding.key === finding.key &&
                  planFinding.text === finding.text,
              )
              expect(
                all.filter((planFinding) => planFinding.rule === 'no-product'),
                mend.label,
              ).toEqual([])
              expect(
                after.map(
                  (planFinding) => `${what} ${one.key} → ${mend.label}: ${planFinding.text}`,
                ),
              ).toEqual([])
            }
        },
      ),
      { numRuns: 150 },
    )
  })
  it('undoes itself: what is moved there and back is the same plan', () => {
    const key = steps[6]?.key ?? ''
    const there = applyEdits(steps, [{ do: 'move', key: key, before: steps[2]?.key ?? null }])
    expect(applyEdits(there, [{ do: 'move', key: key, before: steps[7]?.key ?? null }])).toEqual(
      steps,
    )
    expect(() => applyEdits(steps, [{ do: 'remove', key: 'nothing-1' }])).toThrow(RangeError)
  })
  it('says what differs between two versions', () => {
    const key = steps[3]?.key ?? ''
    const next = applyEdits(steps, [
      { do: 'set', key: key, patch: { minutes: minutes(9) } },
      { do: 'remove', key: steps[5]?.key ?? '' },
    ])
    expect(
      diffPlans(steps, next)
        .map((diffPlan) => diffPlan.change)
        .sort(),
    ).toEqual(['changed', 'removed'])
    expect(diffPlans(steps, steps)).toEqual([])
  })
  it('adds a step where it usually stands, or not at all when barred', () => {
    expect(freshStep('highFrequency', planInput(withYes('pregnancy')))).toBeUndefined()
    expect(placeFor('sunProtection', steps)).toBe('close-1')
  })
})
