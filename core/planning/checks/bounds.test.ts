import { minutes } from '../../units'
import { allNo, TODAY, planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { screen } from '../../screening/verdict/verdict'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import { usualStep } from '../../testing/steps'
import { propose } from '../answer/propose'
import { applyEdits } from '../steps/edit'
import { trace } from '../steps/trace'
import { allowance } from '../today/allowed'
import { checkPlan } from './check'

const input = planInput({
  school: 'brightLamp',
  aims: ['dullness', 'congestion'],
  readings: readAll({ ...RESILIENT, congestion: 3 }),
})
const { steps } = propose(input)
const rulesOf = (findings: ReturnType<typeof checkPlan>['findings'], rule: string) =>
  findings.filter((own) => own.rule === rule)

describe('what stands exactly on a bound', () => {
  it('a plan as long as the visit fits; half a minute more does not', () => {
    const { total } = trace(input, steps).schedule
    const at = (slotMinutes: number) =>
      rulesOf(checkPlan({ ...input, slotMinutes }, steps).findings, 'over-slot')
    expect(at(total)).toEqual([])
    expect(at(total - 0.5)).toHaveLength(1)
  })

  it('any part of a plan can be checked, nothing at all too', () => {
    fc.assert(
      fc.property(fc.subarray([...steps], { minLength: 0 }), (part) => {
        const { findings } = checkPlan(input, part)
        if (!part.some(({ technique }) => technique === 'sunProtection'))
          expect(findings.map(({ rule }) => rule)).toContain('must-sun')
        expect(rulesOf(findings, 'cream-covers')).toEqual([])
      }),
    )
    expect(checkPlan(input, []).findings.length).toBeGreaterThan(0)
  })

  it('warmth after a finish on one zone alone is after the finish', () => {
    const plan = [
      { ...usualStep('facialOil'), key: 'oil', regions: ['forehead' as const] },
      { ...usualStep('warmTowel'), key: 'warm' },
    ]
    expect(rulesOf(checkPlan(input, plan).findings, 'cool-to-end')).toHaveLength(1)
    expect(rulesOf(checkPlan(input, plan.toReversed()).findings, 'cool-to-end')).toEqual([])
  })

  it('a setting in its range is no finding; outside it is brought to the nearer end', () => {
    const own = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].setting !== undefined)
    expect(own.length).toBeGreaterThan(1)
    for (const id of own) {
      const range = allowance(id, input).setting
      if (!range) continue
      const { least, most } = range
      const checked = (setting: number) => {
        const plan = [{ ...usualStep(id), key: 'own', setting }]
        return { plan, found: rulesOf(checkPlan(input, plan).findings, 'setting-range')[0] }
      }
      expect(checked(least).found, id).toBeUndefined()
      expect(checked(most).found, id).toBeUndefined()
      for (const [wrong, end] of [
        [least - 0.01, least],
        [most + 0.01, most],
      ] as const) {
        const { plan, found } = checked(wrong)
        expect(found, `${id} at ${wrong}`).toBeDefined()
        const mended = applyEdits(plan, found?.mends[0]?.edits ?? [])
        expect(mended[0]?.setting, id).toBe(end)
      }
    }
  })
  it('a towel that softens again is offered where it may lie on every zone of the work, and else not', () => {
    const out = usualStep('extraction', { regions: ['nose', 'chin'] })
    const visit = [
      ...(['milk', 'secondReading', 'secondCleanse', 'steam'] as const).map((id) => usualStep(id)),
      // Long enough for warmth to fade.
      usualStep('shouldersScalp', { minutes: minutes(15) }),
      out,
    ]
    const mends = (answers: typeof input.answers) => {
      const asked = planInput({ ...input, answers, verdict: screen(answers, TODAY) })
      const { findings } = checkPlan(asked, visit)
      return findings
        .filter(({ key }) => key === out.key)
        .flatMap((own) => own.mends.map(({ label }) => label))
    }
    expect(mends(input.answers).join()).toContain('Warm towel')
    const burnt = allNo({ sunburn: { say: 'yes', zones: ['chin'] } })
    expect(mends(burnt).join()).not.toContain('Warm towel')
  })
})
