import { ingredientsIn } from '#core/catalogue/products/ingredients'
import { EXFOLIATING } from '#core/catalogue/kinds'
import { TECHNIQUES, type TechniqueId } from '#core/catalogue/techniques/techniques'
import type { RegionId } from '#core/face/zones'
import type { PlanInput } from '#core/planning/input'
import type { leftOut } from '#core/planning/answer/leftOut'
import type { propose } from '#core/planning/answer/propose'
import { screen } from '#core/screening/verdict/verdict'
import { isMain } from '#core/catalogue/techniques/traits'
import { allNo, TODAY } from '#core/testing/fixtures'

/**
 * What a good therapist expects of a protocol, case by case. Every expectation names the rule it
 * rests on, or says "common practice".
 */
export interface Case {
  name: string
  input: PlanInput
  expect: readonly Expectation[]
}
export interface Expectation {
  says: string
  because: string
  holds: (plan: Plan) => boolean
}
export interface Plan {
  input: PlanInput
  steps: ReturnType<typeof propose>['steps']
  out: ReturnType<typeof leftOut>
}

export const of = (plan: Plan, technique: TechniqueId) =>
  plan.steps.filter((step) => step.technique === technique)
export const at = (plan: Plan, technique: TechniqueId) =>
  plan.steps.findIndex((step) => step.technique === technique)
export const sees = (technique: TechniqueId, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name}`,
  because,
  holds: (plan) => of(plan, technique).length > 0,
})
export const either = (ts: readonly TechniqueId[], because: string): Expectation => ({
  says: ts.join(' or '),
  because,
  holds: (plan) => ts.some((other) => of(plan, other).length > 0),
})
export const not = (technique: TechniqueId, because: string): Expectation => ({
  says: `no ${TECHNIQUES[technique].name.toLowerCase()}`,
  because,
  holds: (plan) => of(plan, technique).length === 0,
})
export const nowhere = (
  ts: readonly TechniqueId[],
  regions: readonly RegionId[],
  because: string,
): Expectation => ({
  says: `none of ${ts.join(', ')} on ${regions.join(', ')}`,
  because,
  holds: (plan) =>
    plan.steps.every(
      (step) =>
        !ts.includes(step.technique) || !step.regions.some((region) => regions.includes(region)),
    ),
})
export const most = (technique: TechniqueId, minutes: number, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name} ${minutes} min at most`,
  because,
  holds: (plan) => of(plan, technique).every((step) => step.minutes <= minutes),
})
export const before = (one: TechniqueId, other: TechniqueId, because: string): Expectation => ({
  says: `${one} before ${other}`,
  because,
  holds: (plan) => at(plan, one) >= 0 && at(plan, other) >= 0 && at(plan, one) < at(plan, other),
})
export const last = (technique: TechniqueId, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name} is the last layer`,
  because,
  holds: (plan) =>
    plan.steps.filter((step) => TECHNIQUES[step.technique].leaves.layer !== undefined).at(-1)
      ?.technique === technique,
})
export const holdsNone = (
  family: ReturnType<typeof ingredientsIn>[number],
  because: string,
): Expectation => ({
  says: `nothing with ${family}`,
  because,
  holds: (plan) =>
    plan.steps.every((step) => {
      const item = plan.input.shelf.find((item) => item.product.id === step.productId)
      return !item || !ingredientsIn(item.product.inci).includes(family)
    }),
})
export const works = (ownMost: number, because: string): Expectation => ({
  says: `at most ${ownMost} exfoliations`,
  because,
  holds: (plan) =>
    plan.steps.filter((step) =>
      TECHNIQUES[step.technique].families.some((family) => EXFOLIATING.includes(family)),
    ).length <= ownMost,
})
export const outFor = (technique: TechniqueId, rule: string, because: string): Expectation => ({
  says: `${technique} is left out by ${rule}`,
  because,
  holds: (plan) =>
    plan.out.some((leftOut) => leftOut.technique === technique && leftOut.why.rule === rule),
})
export const FACE_WORK: readonly TechniqueId[] = ['grain', 'tip', 'steam']
export const CP = 'common practice'
export const yes = (more: Parameters<typeof allNo>[0]) => {
  const answers = allNo(more)
  return { answers, verdict: screen(answers, TODAY) }
}

/** A technique only on these zones, wherever it is done. */
export const onlyOn = (
  technique: TechniqueId,
  regions: readonly RegionId[],
  because: string,
): Expectation => ({
  says: `${TECHNIQUES[technique].name} only on ${regions.join(', ')}`,
  because,
  holds: (plan) =>
    of(plan, technique).every((step) => step.regions.every((region) => regions.includes(region))),
})
/** None of several techniques. */
export const none = (techniques: readonly TechniqueId[], because: string): Expectation => ({
  says: `none of ${techniques.map((id) => TECHNIQUES[id].name.toLowerCase()).join(', ')}`,
  because,
  holds: (plan) => plan.steps.every((step) => !techniques.includes(step.technique)),
})
/** Main steps at most: settling, blots, mists, waits and taking off not counted. */
export const mainSteps = (limit: number, because: string): Expectation => ({
  says: `at most ${limit} main steps`,
  because,
  holds: (plan) => plan.steps.filter((step) => isMain(step.technique)).length <= limit,
})
/** At least so many minutes, wherever it is done. */
export const least = (technique: TechniqueId, minutes: number, because: string): Expectation => ({
  says: `${TECHNIQUES[technique].name} not under ${minutes} min`,
  because,
  holds: (plan) => of(plan, technique).every((step) => step.minutes >= minutes),
})
/** In this order where they are in the plan at all. */
export const order = (techniques: readonly TechniqueId[], because: string): Expectation => ({
  says: `in this order: ${techniques.map((id) => TECHNIQUES[id].name.toLowerCase()).join(', ')}`,
  because,
  holds: (plan) => {
    const places = techniques.map((id) => at(plan, id)).filter((place) => place >= 0)
    return places.every((place, i) => i === 0 || (places[i - 1] ?? 0) < place)
  },
})
