import { stageRank } from '../../catalogue/techniques/stages'
import type { PlanStep } from '../../catalogue/techniques/step'
import { hasPlace } from '../../catalogue/techniques/traits'
import { checkPlan, type Check } from '../checks/check'
import type { PlanInput } from '../input'
import { applyEdits, type Edit } from '../steps/edit'
import { isLink } from '../steps/link'
import { connected } from './connected'
import { blocksOf, rankOf, warmedAgain, wholeAgain } from './orderBlocks'

/** Findings that a change of order alone can mend. */
const OUT_OF_ORDER: readonly string[] = [
  'hands-first',
  'close-last',
  'eyes-first',
  'read-bare',
  'read-before-work',
  'lamp-before-layers',
  'lamp-after-massage',
  'cold-after-warm',
  'sun-last',
  'exfoliate-before',
  'cool-to-end',
  'thin-to-thick',
  'washed-off',
  'vitamin-c-first',
  'goes-after',
  'straight-after',
  'straight-before',
  'surface',
]

const stops = ({ findings }: Pick<Check, 'findings'>): number =>
  findings.filter((finding) => finding.strength === 'stop').length

interface OrderOffer {
  /** Main steps that change their place. */
  moved: readonly string[]
  edits: readonly Edit[]
}

const disordered = ({ findings }: Pick<Check, 'findings'>): number =>
  findings.filter((finding) => amiss(finding.rule)).length

/**
 * The nearest lawful order of a plan that is out of order: no more time goes into connecting than has
 * to, as few of its steps as can be change their place, and nothing else changes.
 * @returns undefined where the order stands, or where no other order of these steps is better
 */
export function putInOrder(
  input: PlanInput,
  steps: readonly PlanStep[],
  check: Check = checkPlan(input, steps),
): OrderOffer | undefined {
  const before = disordered(check)
  if (before === 0) return undefined
  const own = steps.filter((step) => !isLink(step))
  const wrong = new Set(check.findings.flatMap(({ rule, key = '' }) => (amiss(rule) ? [key] : [])))
  const each = new Set(own.map(({ key }) => key))
  const offer = (plan: readonly PlanStep[]): Offer => {
    const ordered = connected(input, plan)
    return { ordered, then: checkPlan(input, ordered), moved: movedBetween(own, ordered) }
  }
  const { shelf } = input
  const whole = wholeAgain(own, shelf)
  const usual = bestOf(
    [whole, warmedAgain(whole)].flatMap((plan) =>
      [new Set<string>(), wrong, each].map((apart) =>
        offer(inTurn(blocksOf(plan, apart, shelf)).flat()),
      ),
    ),
  )
  const settled = usual?.then.findings.length === 0 && linking(usual.ordered) <= linking(steps)
  const best = usual && (settled ? usual : bestOf([usual, ...beside(usual, wrong).map(offer)]))
  if (!best || disordered(best.then) >= before || stops(best.then) > stops(check)) return undefined
  return { moved: best.moved, edits: editsTo(steps, best.ordered) }
}

interface Offer {
  ordered: PlanStep[]
  then: Check
  moved: string[]
}
const bestOf = (offers: readonly Offer[]): Offer | undefined =>
  [...offers].sort(
    (one, other) =>
      stops(one.then) - stops(other.then) ||
      disordered(one.then) - disordered(other.then) ||
      one.then.findings.length - other.then.findings.length ||
      linking(one.ordered) - linking(other.ordered) ||
      one.moved.length - other.moved.length,
  )[0]

/** Minutes that go into connecting the steps: an order that rinses off what it has just laid takes more. */
const linking = (steps: readonly PlanStep[]): number =>
  steps.reduce((sum, step) => sum + (isLink(step) ? step.minutes : 0), 0)

/**
 * Where the usual order leaves a choice: each step that was moved, or was found out of order, among others
 * of its own stage and among those that have no place of their own; one without a place anywhere.
 */
function beside({ ordered, moved }: Offer, wrong: ReadonlySet<string>): PlanStep[][] {
  const own = ordered.filter((step) => !isLink(step))
  return own
    .filter(({ key }) => moved.includes(key) || wrong.has(key))
    .flatMap((step) => {
      const rest = own.filter((other) => other !== step)
      const free = ({ technique }: PlanStep) =>
        stageRank(technique) === stageRank(step.technique) || !hasPlace(technique)
      return rest.flatMap((other, at) =>
        free(other) || !hasPlace(step.technique)
          ? [rest.toSpliced(at, 0, step), rest.toSpliced(at + 1, 0, step)]
          : [],
      )
    })
}

const amiss = (rule: string): boolean => OUT_OF_ORDER.includes(rule)

/**
 * Blocks in the order of a visit. The longest run that is in order already stays as it is; each of
 * the others goes to its own place beside it, so that as few as can be are moved.
 */
function inTurn(blocks: readonly PlanStep[][]): PlanStep[][] {
  const ranks = blocks.map(rankOf)
  const stay = new Set(longestRun(ranks))
  const out = blocks.filter((_, i) => stay.has(i))
  blocks.forEach((block, i) => {
    if (stay.has(i)) return
    const rank = ranks[i] ?? 0
    const at = out.findIndex((other) => rankOf(other) > rank)
    out.splice(at < 0 ? out.length : at, 0, block)
  })
  return out
}

/** Places of the longest run that never falls. */
function longestRun(ranks: readonly number[]): number[] {
  const best: { length: number; back: number }[] = []
  ranks.forEach((rank, i) => {
    let length = 1
    let back = -1
    for (let j = 0; j < i; j++) {
      const run = best[j]
      if ((ranks[j] ?? 0) <= rank && run && run.length + 1 > length) {
        length = run.length + 1
        back = j
      }
    }
    best.push({ length, back })
  })
  const out: number[] = []
  let at = best.reduce((top, run, i) => (run.length > (best[top]?.length ?? 0) ? i : top), 0)
  while (at >= 0 && best[at]) {
    out.unshift(at)
    at = best[at]?.back ?? -1
  }
  return out
}

/** Main steps that no longer stand after the same ones. */
function movedBetween(before: readonly PlanStep[], after: readonly PlanStep[]): string[] {
  const places = after
    .filter((step) => !isLink(step))
    .map((step) => before.findIndex((own) => own.key === step.key))
  const stay = new Set(longestRun(places).map((place) => places[place]))
  return before.filter((_, i) => !stay.has(i)).map((step) => step.key)
}

/** The edits that make one plan of the other, in which only what connects is new. */
export function editsTo(steps: readonly PlanStep[], ordered: readonly PlanStep[]): Edit[] {
  const gone = steps.filter((step) => isLink(step))
  const kept = ordered.filter((step) => !isLink(step))
  return [
    ...gone.map((step): Edit => ({ do: 'remove', key: step.key })),
    ...kept.map((step): Edit => ({ do: 'move', key: step.key, before: null })),
    ...ordered.flatMap((step, i): Edit[] => {
      if (!isLink(step)) return []
      const next = ordered.slice(i + 1).find((other) => !isLink(other))
      const { key: _key, ...link } = step
      return [{ do: 'insert', before: next?.key ?? null, step: link }]
    }),
  ]
}

/** The plan with an offer taken. */
export const taken = (steps: readonly PlanStep[], { edits }: OrderOffer): PlanStep[] =>
  applyEdits(steps, edits)
