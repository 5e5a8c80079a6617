import { describe, expect, it } from 'vitest'
import { allNo, planInput, readAll, RESILIENT, TODAY } from '../../testing/fixtures'
import { screen } from '../../screening/verdict/verdict'
import type { Answers } from '../../screening/asking/answers'
import type { PlanInput } from '../input'
import { checkPlan, isFit } from '../checks/check'
import { propose } from './propose'

const yes = (more: Answers) => {
  const answers = allNo(more)
  return { answers, verdict: screen(answers, TODAY) }
}
const said = (input: PlanInput): string => propose(input).failed?.text ?? ''
const without = (kinds: readonly string[]): Partial<PlanInput> => ({
  shelf: planInput().shelf.filter(({ product }) => !kinds.includes(product.kind)),
})

describe('where there is no plan', () => {
  it('says how many minutes the shortest visit takes, and in so many there is one', () => {
    const short = planInput({ readings: readAll(RESILIENT), slotMinutes: 8 })
    const text = said(short)
    const [, minutes] =
      /^The shortest visit takes (\d+) minutes, and this one has 8\./.exec(text) ?? []
    expect(Number(minutes)).toBeGreaterThan(8)
    expect(propose({ ...short, slotMinutes: Number(minutes) }).failed).toBeUndefined()
    expect(propose({ ...short, slotMinutes: Number(minutes) - 1 }).failed).toBeDefined()
  })

  it('names the bottle that is missing, and where it is to be had', () => {
    const bare = { readings: readAll(RESILIENT), slotMinutes: 90 }
    expect(
      said(planInput({ ...bare, ...without(['milk', 'gelCleanser', 'cleansingOil']) })),
    ).toMatch(/^Milk: .*Receive a cleansing milk.*on Shelf/)
  })

  it('goes round eyes that may not be touched, made-up or not', () => {
    const input = planInput({
      readings: readAll(RESILIENT),
      aims: ['dehydration'],
      makeUp: ['waterproof'],
      ...yes({ eyeSurgery: { say: 'yes' } }),
    })
    const { steps, failed } = propose(input)
    expect(failed).toBeUndefined()
    expect(steps.every(({ technique }) => technique !== 'eyesOff')).toBe(true)
    expect(
      steps.filter(({ regions }) => regions.includes('eyes')).map(({ technique }) => technique),
    ).toEqual([])
    expect(isFit(checkPlan(input, steps))).toBe(true)
  })
})
