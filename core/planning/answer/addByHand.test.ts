import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { isMain } from '../../catalogue/techniques/traits'
import { removalOf } from '../../timing/removal'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { inputOfPerson, person } from '../../testing/randomPeople'
import { checkPlan, freshStep } from '../checks/check'
import { applyEdits } from '../steps/edit'
import { addByHand } from './addByHand'
import { propose } from './propose'

const RESTING = TECHNIQUE_IDS.filter((id) => isMain(id) && TECHNIQUES[id].dwell !== undefined)
const anyWork = fc.constantFrom(...TECHNIQUE_IDS.filter(isMain))

describe('a step added by hand', () => {
  it('comes with its mixing, its rest and its way off, one after the other', () => {
    fc.assert(
      fc.property(person, fc.constantFrom(...RESTING), (who, id) => {
        const input = inputOfPerson(who)
        const { steps, failed } = propose(input)
        if (failed || !freshStep(id, input)) return
        const after = applyEdits(steps, addByHand(input, steps, id))
        const mine = after.findIndex(
          (step) => step.technique === id && !steps.some(({ key }) => key === step.key),
        )
        expect(mine).toBeGreaterThanOrEqual(0)
        const { after: mixed } = TECHNIQUES[id]
        if (mixed) expect(after[mine - 1]?.technique).toBe(mixed)
        expect(TECHNIQUES[after[mine + 1]?.technique ?? id].fillsFrom).toBeDefined()
        const off = after[mine + 2]
        expect(off?.technique).toBe(removalOf(id))
        expect(off?.regions).toEqual(after[mine]?.regions)
      }),
      { numRuns: process.env.OAK_FULL ? 1000 : 40 },
    )
  })

  it('leaves every other step as it was, in its order', () => {
    fc.assert(
      fc.property(person, anyWork, (who, id) => {
        const input = inputOfPerson(who)
        const { steps, failed } = propose(input)
        if (failed) return
        const after = applyEdits(steps, addByHand(input, steps, id))
        const kept = steps.filter(({ why }) => why[0]?.rule !== 'surface')
        expect(after.filter(({ key }) => kept.some((own) => own.key === key))).toEqual(kept)
      }),
      { numRuns: process.env.OAK_FULL ? 1000 : 30 },
    )
  })

  it('finds a lawful place where there is one: on skin that bears it nothing speaks against it', () => {
    const input = planInput({
      readings: readAll({ ...RESILIENT, congestion: 3, oil: 3, texture: 3 }),
      aims: ['dehydration'],
      slotMinutes: 120,
      school: 'warmCloth',
    })
    const { steps } = propose(input)
    const stops = (id: TechniqueId) =>
      checkPlan(input, applyEdits(steps, addByHand(input, steps, id)))
        .findings.filter(({ strength }) => strength === 'stop')
        .map(({ rule, text }) => `${id}: ${rule}, ${text}`)
    for (const id of ['clay', 'enzyme', 'freshMask', 'creamMask', 'spatula', 'massage'] as const)
      expect(stops(id)).toEqual([])
  })

  it('a way off that was taken out goes back to its mask', () => {
    const input = planInput({ readings: readAll(RESILIENT), aims: ['dehydration'] })
    const { steps } = propose(input)
    const off = steps.findIndex(({ technique }) => TECHNIQUES[technique].removes)
    const [gone] = steps.slice(off)
    if (!gone) throw new Error('nothing was taken off')
    const without = steps.filter(({ key }) => key !== gone.key)
    const back = applyEdits(without, addByHand(input, without, gone.technique))
    expect(back[off]).toMatchObject({
      technique: gone.technique,
      regions: gone.regions,
      minutes: gone.minutes,
    })
  })
})
