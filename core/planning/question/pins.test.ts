import { describe, expect, it } from 'vitest'
import { STAGE_IDS } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { canPin } from '../../catalogue/techniques/traits'
import { planInput } from '../../testing/fixtures'
import { propose } from '../answer/propose'
import { freshStep } from '../checks/check'

const input = { ...planInput({ slotMinutes: 90 }), slotMinutes: 90 }
const pairs = STAGE_IDS.flatMap((stage) => {
  const own = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].stage === stage && canPin(id))
  return own.flatMap((one, i) => own.slice(i + 1).map((other) => [one, other] as const))
})

describe('two pins in one stage of the visit', () => {
  it('both stand, or it says which of them why not; neither is dropped without a word', () => {
    let stood = 0
    let said = 0
    for (const pair of pairs) {
      const pins = pair.flatMap((id): PlanStep[] => {
        const step = freshStep(id, input)
        return step ? [{ ...step, key: `pin-${id}`, pinned: true }] : []
      })
      if (pins.length < 2) continue
      const plan = propose({ ...input, pins })
      if (plan.failed) {
        expect(plan.failed.text, pair.join()).toMatch(/pinned/)
        said++
      } else {
        for (const pin of pins) {
          const kept = plan.steps.find(
            (step) =>
              step.pinned && step.technique === pin.technique && step.minutes === pin.minutes,
          )
          expect(kept?.regions, `${pair.join()}: ${pin.technique}`).toEqual(pin.regions)
        }
        stood++
      }
    }
    expect(stood).toBeGreaterThan(10)
    expect(said).toBeGreaterThan(2)
  })
})
