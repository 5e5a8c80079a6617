import { TECHNIQUE_IDS, TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { GROUPS } from '#core/face/regions'
import { REGION_IDS } from '#core/face/zones'
import { minutes } from '#core/units'
import type { Steps, Visit } from './visit'

export interface Mutant {
  name: string
  steps: PlanStep[]
}
const LONGER = 20

/** Every plan that one slip of the hand makes of another. */
export function mutantsOf(visit: Visit, steps: Steps): Mutant[] {
  return [
    ...steps.flatMap((step, i) => slips(visit, steps, step, i)),
    ...TECHNIQUE_IDS.flatMap((id) =>
      [...steps.keys(), steps.length].map((at): Mutant => {
        const row = TECHNIQUES[id]
        const bottle = visit.shelf.find(({ product }) => product.kind === row.product)?.product
        const fresh: PlanStep = {
          key: 'put-in',
          technique: id,
          regions: row.groups.slice(0, 1).flatMap((group) => GROUPS[group]),
          minutes: row.minutes.choices[0] ?? row.minutes.least,
          ...(row.passes ? { passes: row.passes.usual } : {}),
          ...(row.setting ? { setting: row.setting.least } : {}),
          ...(bottle ? { productId: bottle.id } : {}),
          why: [],
        }
        return { name: `${id} put in at ${at}`, steps: steps.toSpliced(at, 0, fresh) }
      }),
    ),
  ]
}

function slips(visit: Visit, steps: Steps, step: PlanStep, i: number): Mutant[] {
  const { name, product } = TECHNIQUES[step.technique]
  const put = (what: string, own: Partial<PlanStep>): Mutant => ({
    name: `${name} ${what}`,
    steps: steps.with(i, { ...step, ...own }),
  })
  const next = steps[i + 1]
  const elsewhere = REGION_IDS.filter((region) => !step.regions.includes(region))
  const other = visit.shelf.find(
    (item) => item.product.id !== step.productId && item.product.kind !== product,
  )?.product
  const same = visit.shelf.find(
    (item) => item.product.id !== step.productId && item.product.kind === product,
  )?.product
  return [
    { name: `${name} taken out`, steps: steps.toSpliced(i, 1) },
    ...(next
      ? [{ name: `${name} moved on by one`, steps: steps.toSpliced(i, 2, next, step) }]
      : []),
    {
      name: `${name} doubled`,
      steps: steps.toSpliced(i, 0, { ...step, key: `${step.key}-again` }),
    },
    put('lengthened', { minutes: minutes(step.minutes + LONGER) }),
    ...(step.regions.length > 0 && elsewhere[0] !== undefined
      ? [put(`on ${elsewhere[0]} too`, { regions: [...step.regions, elsewhere[0]] })]
      : []),
    ...(step.regions.length > 1
      ? [put('on one zone less', { regions: step.regions.slice(1) })]
      : []),
    ...(product && other ? [put(`with ${other.name}`, { productId: other.id })] : []),
    ...(product && same ? [put(`with ${same.name}`, { productId: same.id })] : []),
  ]
}
