import { describe, expect, it } from 'vitest'
import type { FamilyId } from '../../catalogue/kinds'
import { ORDER_RULES } from '../../catalogue/rules/orderRules'
import { PAIRS } from '../../catalogue/rules/pairs'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { lot, planInput, product, readAll, RESILIENT } from '../../testing/fixtures'
import { usualStep as step } from '../../testing/steps'
import type { PlanInput } from '../input'
import { checkPlan } from './check'

const input = planInput({
  school: 'brightLamp',
  aims: ['dullness', 'congestion'],
  readings: readAll({ ...RESILIENT, congestion: 3 }),
})
const night = { ...input, daylight: false }

/** Bottles that belong to a kind of work by what they hold. */
const HELD = [
  product('serum', 'bright-serum', { inci: ['Aqua', 'Ascorbic Acid'] }),
  product('toner', 'strong-toner', { inci: ['Aqua', 'Alcohol Denat.'] }),
].map((own) => ({ product: own, lots: [lot(own.id)] }))
/** A step that belongs to a kind of work: by its technique, or by its bottle. */
function withFamily(family: FamilyId): PlanStep[] {
  if (family === 'leaveOnActive') return [step('serum', { productId: 'bright-serum' })]
  if (family === 'alcohol') return [step('tone', { productId: 'strong-toner' })]
  const own = TECHNIQUE_IDS.filter((id) => TECHNIQUES[id].families.includes(family))
  const id = own.find((one) => !TECHNIQUES[one].families.includes('vacuum')) ?? own[0]
  return id ? [step(id)] : []
}

describe('pairs that never share a visit', () => {
  for (const pair of PAIRS)
    it(`${pair.id}: two that never share a visit, and each alone may`, () => {
      const [one, other] = [withFamily(pair.a), withFamily(pair.b)]
      const both = [...one, ...other]
      const shelf = [...night.shelf, ...HELD]
      const rules = (steps: readonly PlanStep[], pairs = PAIRS) =>
        checkPlan({ ...night, shelf }, steps, ORDER_RULES, pairs).findings.map(
          (finding) => finding.rule,
        )
      expect(rules(both)).toContain(pair.id)
      expect(rules(both.slice(0, 1))).not.toContain(pair.id)
      expect(
        rules(
          both,
          PAIRS.filter((other) => other.id !== pair.id),
        ),
      ).not.toContain(pair.id)
    })
  it('lets peel and machine share a visit where the house says so: trained hands, resilient skin', () => {
    const together = { camps: { peelWithMachine: 'together' }, without: [] }
    const rules = (i: PlanInput) =>
      checkPlan(i, [step('acidMask'), step('tip')]).findings.map((finding) => finding.rule)
    expect(rules({ ...input, policy: together })).not.toContain('pair-tip-acid')
    expect(rules({ ...input, policy: together, licences: ['basic'] })).toContain('pair-tip-acid')
    expect(
      rules(planInput({ readings: readAll({ ...RESILIENT, sensitivity: 2 }), policy: together })),
    ).toContain('pair-tip-acid')
  })
})
