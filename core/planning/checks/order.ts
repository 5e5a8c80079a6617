import { LAST_ON_SKIN, LAYERS, NOT_UNDER_IT } from '../../catalogue/rules/backbone'
import { GIVING, MANY_LAYERS } from '../../catalogue/rules/restraint'
import { ingredientsIn } from '../../catalogue/products/ingredients'
import type { LayerBase } from '../../catalogue/home/homeSteps'
import type { Product } from '../../catalogue/products/products'
import { STAGE_IDS } from '../../catalogue/kinds'
import type { PlanStep } from '../../catalogue/techniques/step'
import type { Film } from '../../catalogue/techniques/technique'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { stageRank } from '../../catalogue/techniques/stages'
import { exfoliates, isMain } from '../../catalogue/techniques/traits'
import { common, meet, type Where } from '../../face/sides'
import { baseOfLabel, waitBetween } from '../../surface/layering'
import { finding, remove, type Checking, type Mend, type PlanFinding } from './finding'

const before = (step: PlanStep, other: PlanStep): Mend => ({
  label: `Move before ${techniqueOf(other).name.toLowerCase()}`,
  minutes: 0,
  edits: [{ do: 'move', key: step.key, before: other.key }],
})

const take = (step: PlanStep, { id, name }: Pick<Product, 'id' | 'name'>): Mend => ({
  label: `Take ${name}`,
  minutes: 0,
  edits: [{ do: 'set', key: step.key, patch: { productId: id } }],
})

/** Exfoliation comes before massage and mask: what was given is not rubbed off again. */
export function exfoliationFindings({ steps, rules }: Checking): PlanFinding[] {
  return steps.flatMap((step, i) => {
    if (!exfoliates(step.technique) || techniqueOf(step).stage === 'mask') return []
    const given = steps
      .slice(0, i)
      .find(
        (later) =>
          GIVING.includes(techniqueOf(later).stage) && meet(later, step) && isMain(later.technique),
      )
    return given
      ? finding(
          rules,
          'exfoliate-before',
          `${techniqueOf(step).name} after ${techniqueOf(given).name.toLowerCase().replace(/ on$/, '')}`,
          { key: step.key, mends: [before(step, given)] },
        )
      : []
  })
}

/** Warmth opens the work: after the mask, or on the finish, it only reddens. */
export function warmthFindings({ steps, rules }: Checking): PlanFinding[] {
  return steps.flatMap((step, i) => {
    if (techniqueOf(step).leaves.warmth !== 'warm') return []
    const later = steps
      .slice(0, i)
      .find(
        ({ technique, regions }) =>
          stageRank(technique) >= FINISH && isMain(technique) && regions.length > 0,
      )
    return later
      ? finding(
          rules,
          'cool-to-end',
          `${techniqueOf(step).name} after ${techniqueOf(later).name.toLowerCase().replace(/ on$/, '')}`,
          { key: step.key, mends: [remove(step)] },
        )
      : []
  })
}
const FINISH = STAGE_IDS.indexOf('mask')

/** What stays on the skin as a layer of its own: what is only water does not count. */
const staysOn = (step: PlanStep): boolean => (techniqueOf(step).leaves.layer ?? 0) >= 2

/** Vitamin C goes first, and after many products the cream is a light one. */
export function finishFindings({ input, steps, rules, allow }: Checking): PlanFinding[] {
  const bottle = (step: PlanStep) =>
    input.shelf.find((item) => item.product.id === step.productId)?.product
  const laid = steps.filter(staysOn)
  return laid.flatMap((step, i) => {
    const own = bottle(step)
    if (!own) return []
    const below = laid.slice(0, i).filter((lower) => meet(lower, step))
    const first = below[0]
    const out =
      first && ingredientsIn(own.inci).includes('vitaminC')
        ? finding(rules, 'vitamin-c-first', undefined, {
            key: step.key,
            mends: [before(step, first)],
          })
        : []
    if (
      techniqueOf(step).stage !== 'moisturise' ||
      below.length < MANY_LAYERS ||
      own.suits.includes('oily')
    )
      return out
    const lighter = allow(step).products.find((product) =>
      product.product.suits.includes('oily'),
    )?.product
    return [
      ...out,
      ...finding(rules, 'lighter-cream', undefined, {
        key: step.key,
        mends: lighter ? [take(step, lighter)] : [],
      }),
    ]
  })
}

/** A layer and where it still lies. */
interface Laid {
  step: PlanStep
  on: Where
}
/** What is left of it where something took it off. */
const without = (on: Where, off: Where): Where => {
  const gone = common(on, off)
  return { ...on, regions: on.regions.filter((region) => !gone.includes(region)) }
}

/** Leave-on layers go on thinnest first, zone by zone; no oil under sun protection. */
export function layerFindings(checking: Checking): PlanFinding[] {
  const { input, steps, rules } = checking
  const out: PlanFinding[] = []
  let laid: Laid[] = []
  const weightOf = ({ technique }: PlanStep) => TECHNIQUES[technique].leaves.layer ?? 0
  for (const step of steps) {
    const technique = techniqueOf(step)
    const { layer, film } = technique.leaves
    if (layer === undefined) {
      if (film !== undefined && OVER_LAYERS.includes(film))
        laid = laid.map((own) => ({ ...own, on: without(own.on, step) }))
      continue
    }
    if (
      NOT_UNDER_IT.includes(step.technique) &&
      input.daylight &&
      steps.some((step) => step.technique === LAST_ON_SKIN)
    )
      out.push(
        ...finding(rules, 'oil-under-sun', undefined, { key: step.key, mends: [remove(step)] }),
      )
    const heavier = laid.find((below) => weightOf(below.step) > layer && meet(below.on, step))
    if (heavier)
      out.push(
        ...finding(rules, 'thin-to-thick', `${technique.name} after a heavier layer`, {
          key: step.key,
          mends: [before(step, heavier.step)],
        }),
      )
    out.push(...rollingUp(step, laid, checking))
    laid.push({ step, on: { regions: step.regions, half: step.half } })
  }
  return out
}
/** A layer of water or cream over one of silicone: the bottle under it is another, or it goes last. */
function rollingUp(
  step: PlanStep,
  laid: readonly Laid[],
  { input, rules, allow }: Checking,
): PlanFinding[] {
  const baseOf = (own: PlanStep): LayerBase | undefined => {
    const product = input.shelf.find((item) => item.product.id === own.productId)?.product
    const usual = own.technique === LAST_ON_SKIN ? 'filter' : 'water'
    return product && baseOfLabel(product.inci, usual)
  }
  const over = baseOf(step)
  const under = laid.find((below) => baseOf(below.step) === 'silicone' && meet(below.on, step))
  if (!under || over === undefined || !waitBetween('silicone', over)) return []
  const other = allow(under.step).products.find(
    ({ product }) => baseOfLabel(product.inci, 'water') !== 'silicone',
  )?.product
  return finding(rules, 'silicone-under', undefined, {
    key: under.step.key,
    mends: other ? [take(under.step, other)] : [],
  })
}

/** What is to stay on is not rinsed, wiped or cleansed off again before anything was done over it. */
export function washedOffFindings({ steps, rules }: Checking): PlanFinding[] {
  const wipes = (own: PlanStep) => techniqueOf(own).leaves.film === 'none'
  return steps.flatMap((step, i) => {
    if (!LAYERS.includes(step.technique)) return []
    const later = steps.slice(i + 1).filter((own) => meet(own, step))
    const next = later.find(
      (own) => wipes(own) || (isMain(own.technique) && !LAYERS.includes(own.technique)),
    )
    const last = later.findLast(wipes)
    if (!next || !last || !wipes(next)) return []
    const after = steps[steps.indexOf(last) + 1]
    return finding(
      rules,
      'washed-off',
      `${techniqueOf(step).name}: ${techniqueOf(next).name.toLowerCase()} takes it off again`,
      {
        key: step.key,
        mends: [
          {
            label: `Move after ${techniqueOf(last).name.toLowerCase()}`,
            minutes: 0,
            edits: [{ do: 'move', key: step.key, before: after?.key ?? null }],
          },
          remove(step),
        ],
      },
    )
  })
}

/** What takes the layers off, or begins anew over them. */
const OVER_LAYERS: readonly Film[] = ['mask', 'oil', 'none']
