import { MADE_READY } from '../../catalogue/techniques/roles'
import { stageRank } from '../../catalogue/techniques/stages'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { hasPlace } from '../../catalogue/techniques/traits'
import { checkPlan, type Check } from '../checks/check'
import type { PlanInput } from '../input'
import { applyEdits, type Edit } from '../steps/edit'
import { isLink } from '../steps/link'
import { connected } from './connected'

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
  'vitamin-c-first',
  'goes-after',
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
 * The nearest lawful order of a plan that is out of order: as few of its steps as can be change
 * their place, what connects them is put in anew, and nothing else changes.
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
  const usual = bestOf(
    [own, warmedAgain(own)].flatMap((plan) =>
      [new Set<string>(), wrong, each].map((apart) => offer(inTurn(blocksOf(plan, apart)).flat())),
    ),
  )
  const best =
    usual && usual.then.findings.length > 0 ? bestOf([usual, ...beside(usual).map(offer)]) : usual
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
      one.moved.length - other.moved.length,
  )[0]

/** Where the usual order leaves a choice: each step that was moved among others of its own stage. */
function beside({ ordered, moved }: Offer): PlanStep[][] {
  const own = ordered.filter((step) => !isLink(step))
  return own
    .filter(({ key }) => moved.includes(key))
    .flatMap((step) => {
      const rest = own.filter((other) => other !== step)
      return rest.flatMap((other, at) =>
        stageRank(other.technique) === stageRank(step.technique)
          ? [rest.toSpliced(at, 0, step), rest.toSpliced(at + 1, 0, step)]
          : [],
      )
    })
}

const amiss = (rule: string): boolean => OUT_OF_ORDER.includes(rule)

/** Each warming that has lost what it warms for put straight before that again. */
function warmedAgain(steps: readonly PlanStep[]): PlanStep[] {
  let out = [...steps]
  for (const step of steps) {
    const { warmedBy } = techniqueOf(step)
    const warming = out.find(({ technique }) => technique === warmedBy)
    if (!warming) continue
    out = out.filter((own) => own !== warming)
    out.splice(out.indexOf(step), 0, warming)
  }
  return out
}

/** Belongs to what rests while it rests: fills the hands, lies beside it, is mixed for it, takes it off. */
const besideRest = ({ technique }: PlanStep): boolean => {
  const { besideResting, dwell, removes } = TECHNIQUES[technique]
  return Boolean(besideResting ?? dwell ?? removes) || isMadeReady(technique)
}
const isMadeReady = (id: TechniqueId): boolean => MADE_READY.includes(id)

/**
 * Steps that stay together: what rests, with all that is done until it is off again, and what stands
 * straight before another. What was dropped into a rest where it has no business is on its own.
 * @param apart keys of steps that go with no other
 */
function blocksOf(steps: readonly PlanStep[], apart: ReadonlySet<string>): PlanStep[][] {
  const out: PlanStep[][] = []
  let open: PlanStep[] = []
  let warming: PlanStep[] = []
  let resting = 0
  for (const [i, step] of steps.entries()) {
    const { dwell, removes } = techniqueOf(step)
    const mixed = open.some(({ technique }) => isMadeReady(technique))
    if ((resting > 0 || mixed) && !besideRest(step)) {
      const next = steps[i + 1]
      warming.push(step)
      if (next && !besideRest(next) && warms(step, next)) continue
      out.push(warming)
      warming = []
      continue
    }
    open.push(step)
    if (dwell) resting++
    else if (removes) resting = Math.max(0, resting - 1)
    if (resting > 0 || isMadeReady(step.technique) || goesAhead(step, steps[i + 1], apart)) continue
    out.push(open)
    open = []
  }
  return open.length > 0 ? [...out, open] : out
}

const warms = ({ technique }: Pick<PlanStep, 'technique'>, next: PlanStep): boolean =>
  techniqueOf(next).warmedBy === technique

/**
 * Whether a step goes with the next one: a towel before what it softens for, and what floats before
 * whatever comes no earlier in a visit than it may itself.
 */
function goesAhead(
  { key, technique }: PlanStep,
  next: PlanStep | undefined,
  apart: ReadonlySet<string>,
): boolean {
  if (!next) return false
  if (warms({ technique }, next)) return true
  const floats = !hasPlace(technique) && TECHNIQUES[technique].part !== 'follows'
  return floats && !apart.has(key) && stageRank(next.technique) >= stageRank(technique)
}

/** The place of a block in the usual order: that of the first of it that has one. */
function rankOf(block: readonly PlanStep[]): number {
  const warming = (step: PlanStep) => block.some((other) => warms(step, other))
  const placed = block.find((step) => hasPlace(step.technique) && !warming(step)) ?? block[0]
  return placed ? stageRank(placed.technique) : 0
}

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
