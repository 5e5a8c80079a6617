import { describe, expect, it } from 'vitest'
import { SCHOOL_IDS } from '../../catalogue/schools/schools'
import { TECHNIQUE_IDS, TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { FamilyId } from '../../catalogue/kinds'
import { minutes } from '../../units'
import { planInput } from '../../testing/fixtures'
import { usualStep } from '../../testing/steps'
import { propose } from '../answer/propose'
import { applyEdits } from '../steps/edit'
import { checkPlan } from './check'

/** Common practice, written down once more by hand: what is never done round the eyes. */
const NEVER_ROUND_THE_EYES: readonly FamilyId[] = [
  'friction',
  'acid',
  'abrasion',
  'vacuum',
  'needling',
  'blade',
  'clay',
  'highFrequency',
  'microcurrent',
]
const risky = TECHNIQUE_IDS.filter((id) =>
  TECHNIQUES[id].families.some((family) => NEVER_ROUND_THE_EYES.includes(family)),
)

describe('round the eyes', () => {
  it('nothing that rubs, burns, draws, cuts or carries current is ever proposed', () => {
    expect(risky.length).toBeGreaterThan(8)
    for (const school of SCHOOL_IDS)
      for (const aims of [
        ['firmness', 'congestion'],
        ['dullness', 'shine'],
        ['congestion'],
      ] as const)
        for (const step of propose(planInput({ school, aims, slotMinutes: 90 })).steps)
          if (risky.includes(step.technique))
            expect(step.regions, step.technique).not.toContain('eyes')
  })
  it('put there by hand it is stopped, and leaving the eyes out mends it', () => {
    const input = planInput()
    const plan = propose(input).steps
    for (const technique of risky) {
      const step = {
        key: `${technique}-9`,
        technique,
        minutes: minutes(2),
        regions: ['nose', 'eyes'] as const,
        why: [],
      }
      const steps = [...plan, step]
      const found = checkPlan(input, steps).findings.filter(
        (finding) => finding.key === step.key && finding.text.includes('orbital'),
      )
      expect(
        found.map((finding) => finding.strength),
        technique,
      ).toEqual(['stop'])
      const mended = applyEdits(steps, found[0]?.mends[0]?.edits ?? [])
      expect(mended.find((own) => own.key === step.key)?.regions).toEqual(['nose'])
    }
  })
})

describe('thin zones take the lower half of the range (common practice)', () => {
  const found = (setting: number) =>
    checkPlan(planInput(), [
      usualStep('needling', { setting, regions: ['forehead'] }),
    ]).findings.some(({ rule }) => rule === 'thin-zones')
  it('up to its middle and not a step more', () => {
    expect([0.1, 0.2, 0.3].map(found)).toEqual([false, false, false])
    expect([0.35, 0.5].map(found)).toEqual([true, true])
  })
})
