import { FINDING_ORDER } from '#core/catalogue/consultation/findings'
import { ZONE_IDS } from '#core/face/zones'
import type { PlanInput } from '#core/planning/input'
import type { Answer, Answers } from '#core/screening/asking/answers'
import { addDays } from '#core/screening/asking/days'
import { screen } from '#core/screening/verdict/verdict'
import { deriveProfile } from '#core/skin/profile'
import { lot, planInput, TODAY } from '#core/testing/fixtures'
import { DEEP } from '#db/demo/clients'
import { DEMO_PRODUCTS } from '#db/demo/products'

const SHELF = DEMO_PRODUCTS.map((product) => ({ product, lots: [lot(product.id)] }))

/**
 * A demo client as the planner sees them on a day without earlier visits: their skin, answers, aims
 * and school, and the whole shelf.
 */
export function demoInput(key: string, more: Partial<PlanInput> = {}): PlanInput {
  const deep = DEEP.find((demoClient) => demoClient.key === key)
  if (!deep) throw new Error(`no demo client ${key}`)
  const answers: Answers = Object.fromEntries(
    FINDING_ORDER.map((id): [string, Answer] => {
      const yes = deep.yes[id]
      if (!yes) return [id, { say: 'no' }]
      const { daysAgo, ...rest } = yes
      return [
        id,
        {
          say: 'yes',
          ...rest,
          ...(daysAgo === undefined ? {} : { date: addDays(TODAY, -daysAgo) }),
        },
      ]
    }),
  )
  const profile = deriveProfile(
    { ...Object.fromEntries(ZONE_IDS.map((zone) => [zone, deep.base])), ...deep.zones },
    new Date(TODAY).getFullYear() - Number(deep.born.slice(0, 4)),
    deep.whole,
  )
  return planInput({
    answers,
    profile,
    verdict: screen(answers, TODAY),
    school: deep.school,
    aims: deep.aims,
    shelf: SHELF,
    makeUp: deep.worn ?? ['light'],
    slotMinutes: 60,
    ...more,
  })
}
