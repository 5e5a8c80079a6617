import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { putInOrder, taken } from '#core/planning/answer/putInOrder'
import { isLink } from '#core/planning/steps/link'
import { propose } from '#core/planning/answer/propose'
import { checkPlan } from '#core/planning/checks/check'
import type { PlanInput } from '#core/planning/input'
import { atLeastLooked } from '#core/testing/looked'
import { inputOfPerson, person } from '#core/testing/randomPeople'
import { DEEP } from '#db/demo/clients'
import { examine } from '../examiner/examiner'
import { mutantsOf } from '../examiner/mutants'
import { replay } from '../examiner/replay'
import type { Visit } from '../examiner/visit'
import { question } from '../solver/cases'
import { demoInput } from '../support/demoClients'
import { seeded } from '../support/seeded'
import { CASES } from './writtenCases'

/*
 * Two people look at the same plan who have not talked to each other: the checker of the house, and
 * an examiner who knows the trade's rules (common practice) and nothing of how plans are made here.
 */
const FULL = process.env.OAK_FULL !== undefined
const TOO_LONG = 'longer than the visit'
const HALF_A_MINUTE = 0.5
/** Of all slips of the hand, so many are looked at. */
const SHARE = FULL ? 1 : 0.005
/** What the file says of the last visit: planning has it as a limit, an outsider reads it. */
const lastTimeOf = ({ verdict }: PlanInput): Pick<Visit, 'lastTime'> =>
  verdict.limitRules.some(({ rule }) => rule === 'took-badly') ? { lastTime: 'tooMuch' } : {}
const PEOPLE = [
  ...DEEP.map(({ key }) => ({ name: key, input: demoInput(key) })),
  ...CASES.map(({ name, input }) => ({ name, input: { ...input, ...lastTimeOf(input) } })),
]

const words = (input: PlanInput, steps: readonly PlanStep[]): string =>
  examine(input, steps)
    .map(({ says }) => says)
    .join('; ')
/** What stands against a plan in the house's own eyes; advice is no fault. */
const findings = (input: PlanInput, steps: readonly PlanStep[]): string =>
  checkPlan(input, steps)
    .findings.filter(({ strength }) => strength !== 'advise')
    .map(({ rule }) => rule)
    .join('; ')

/** Steps of one plan that are taken from their place and dropped at another, each by itself. */
const slips = fc.array(fc.tuple(fc.nat(60), fc.nat(60)), { minLength: 4, maxLength: 4 })

/** A part of something that rests: it is moved with the rest of it, or not at all. */
const hangsTogether = ({ technique }: PlanStep): boolean => {
  const { dwell, removes, besideResting, after } = TECHNIQUES[technique]
  return Boolean(dwell ?? removes ?? besideResting ?? after)
}

describe('an examiner from outside', () => {
  it.each(PEOPLE)('strikes nothing out of the plan of: $name', ({ input }) => {
    const { steps, failed } = propose(input)
    if (!failed) expect(words(input, steps)).toBe('')
  })

  it('strikes nothing out of the plan of anybody', () => {
    fc.assert(
      fc.property(person, (who) => {
        const input = inputOfPerson(who)
        const { steps, failed } = propose(input)
        if (!failed) expect(words(input, steps)).toBe('')
      }),
      { numRuns: FULL ? 3000 : 120 },
    )
  })

  it('strikes nothing out of a plan that was out of order and is put right', () => {
    let offered = 0
    fc.assert(
      fc.property(person, slips, (who, list) => {
        const input = inputOfPerson(who)
        const { steps, failed } = propose(input)
        for (const [from, to] of failed ? [] : list) {
          const own = steps[from % steps.length]
          if (!own || isLink(own) || hangsTogether(own)) continue
          const rest = steps.filter((step) => step !== own)
          const wrong = rest.toSpliced(to % (rest.length + 1), 0, own)
          const offer = putInOrder(input, wrong)
          if (!offer) continue
          offered++
          const right = taken(wrong, offer)
          const struck = words(input, right)
          const moved = `${own.technique} to ${to % (rest.length + 1)}`
          // Another order may want half a minute more between two steps; then the house says so itself.
          const over = struck === TOO_LONG
          expect(over ? '' : struck, moved).toBe('')
          expect(findings(input, right), moved).toBe(over ? 'over-slot' : '')
          const longer = replay(input, right).total - replay(input, steps).total
          expect(longer, `longer, ${moved}`).toBeLessThanOrEqual(HALF_A_MINUTE)
        }
      }),
      { numRuns: FULL ? 2000 : 60 },
    )
    expect(offered).toBeGreaterThanOrEqual(atLeastLooked(FULL ? 2000 : 60))
  })

  it('strikes nothing out in houses of other shelves, devices and lengths', () => {
    for (let seed = 1; seed <= (FULL ? 600 : 60); seed++) {
      const { input } = question(seed)
      const { steps, failed } = propose(input)
      if (!failed) expect(words(input, steps), `house ${seed}`).toBe('')
    }
  })

  it('sees the same slips as the checker: out, moved, doubled, too long, elsewhere, another bottle, put in', () => {
    const dice = seeded(20_261_129)
    const apart: string[] = []
    let looked = 0
    for (const { name, input } of PEOPLE) {
      const { steps, failed } = propose(input)
      if (failed) continue
      for (const mutant of mutantsOf(input, steps)) {
        if (!dice.chance(SHARE)) continue
        looked++
        const outside = words(input, mutant.steps)
        const inside = findings(input, mutant.steps)
        if ((outside === '') !== (inside === ''))
          apart.push(`${name}, ${mutant.name}: “${outside}” against “${inside}”`)
      }
    }
    expect(apart).toEqual([])
    expect(looked).toBeGreaterThan(PEOPLE.length)
  })
})
