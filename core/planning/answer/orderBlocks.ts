import { thenOf } from '../../catalogue/products/families'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { MADE_READY } from '../../catalogue/techniques/roles'
import { stageRank } from '../../catalogue/techniques/stages'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { hasPlace } from '../../catalogue/techniques/traits'
import type { PlanInput } from '../input'

/*
 * Which steps of a visit move together, whoever moves one of them: what rests with what is done until
 * it is off, what warms with what it warms for, what leaves something lying with what takes that off.
 */

type Shelf = PlanInput['shelf']

/** Each warming that has lost what it warms for put straight before that again. */
export const warmedAgain = (steps: readonly PlanStep[]): PlanStep[] =>
  broughtTo(steps, BEFORE, (step) => techniqueOf(step).warmedBy)

/**
 * What makes a step ready put straight before it again, and what takes off what a step leaves lying
 * straight after it.
 */
export const wholeAgain = (steps: readonly PlanStep[], shelf: Shelf): PlanStep[] =>
  broughtTo(
    broughtTo(steps, BEFORE, (step) => techniqueOf(step).after),
    AFTER,
    (step) => thenOf(step, shelf),
  )

const BEFORE = -1
const AFTER = 1
/**
 * Steps of a kind that have been parted from the one they stand beside, put back to its side.
 * @param mate what kind that is for a step; undefined where it needs none
 */
function broughtTo(
  steps: readonly PlanStep[],
  side: typeof BEFORE | typeof AFTER,
  mate: (step: PlanStep) => TechniqueId | undefined,
): PlanStep[] {
  const fits = (host: PlanStep, step: PlanStep) => step.technique === mate(host)
  const beside = (host: PlanStep, list: readonly PlanStep[]) => {
    const step = list[list.indexOf(host) + side]
    return step && fits(host, step) ? step : undefined
  }
  const taken = new Set(steps.flatMap((host) => beside(host, steps) ?? []))
  let out = [...steps]
  for (const host of steps) {
    if (mate(host) === undefined || beside(host, out)) continue
    const lost = nearest(out, host, side, (step) => !taken.has(step) && fits(host, step))
    if (!lost) continue
    taken.add(lost)
    out = out.filter((own) => own !== lost)
    out.splice(out.indexOf(host) + (side === AFTER ? 1 : 0), 0, lost)
  }
  return out
}

/** The nearest step that is free: on the side where it belongs, or else on the other. */
function nearest(
  steps: readonly PlanStep[],
  host: PlanStep,
  side: typeof BEFORE | typeof AFTER,
  free: (step: PlanStep) => boolean,
): PlanStep | undefined {
  const at = steps.indexOf(host)
  const before = steps.slice(0, at).findLast(free)
  const after = steps.slice(at + 1).find(free)
  return side === AFTER ? (after ?? before) : (before ?? after)
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
export function blocksOf(
  steps: readonly PlanStep[],
  apart: ReadonlySet<string>,
  shelf: Shelf,
): PlanStep[][] {
  const out: PlanStep[][] = []
  let open: PlanStep[] = []
  let stray: PlanStep[] = []
  let resting = 0
  for (const [i, step] of steps.entries()) {
    const { dwell, removes } = techniqueOf(step)
    const next = steps[i + 1]
    if (strays(step, next, open, resting > 0)) {
      stray.push(step)
      if (next && !besideRest(next) && staysWith(step, next, shelf)) continue
      out.push(stray)
      stray = []
      continue
    }
    open.push(step)
    if (dwell) resting++
    else if (removes) resting = Math.max(0, resting - 1)
    if (resting > 0 || isMadeReady(step.technique) || goesAhead(step, next, apart, shelf)) continue
    out.push(open)
    open = []
  }
  return open.length > 0 ? [...out, open] : out
}

/**
 * Whether a step has no business in what is open: neither beside what rests or is mixed, nor made ready
 * for by the last of it. What makes ready strays with what it does that for.
 */
function strays(
  step: PlanStep,
  next: PlanStep | undefined,
  open: readonly PlanStep[],
  rests: boolean,
): boolean {
  if (rests && next && readies(step, next)) return !besideRest(next)
  const last = open.at(-1)
  const waits = rests || open.some(({ technique }) => isMadeReady(technique))
  return waits && !(last && readies(last, step)) && !besideRest(step)
}

const readies = ({ technique }: PlanStep, next: PlanStep): boolean =>
  techniqueOf(next).after === technique
const warms = ({ technique }: PlanStep, next: PlanStep): boolean =>
  techniqueOf(next).warmedBy === technique
/** Two that are never parted: one makes the other ready, softens for it, or is taken off by it. */
const staysWith = (step: PlanStep, next: PlanStep, shelf: Shelf): boolean =>
  readies(step, next) || warms(step, next) || thenOf(step, shelf) === next.technique

/**
 * Whether a step goes with the next one: a towel before what it softens for, what was strewn before what
 * takes it off, and what floats before whatever comes no earlier in a visit than it may itself.
 */
function goesAhead(
  step: PlanStep,
  next: PlanStep | undefined,
  apart: ReadonlySet<string>,
  shelf: Shelf,
): boolean {
  if (!next) return false
  const { key, technique } = step
  if (staysWith(step, next, shelf)) return true
  const floats = !hasPlace(technique) && TECHNIQUES[technique].part !== 'follows'
  return floats && !apart.has(key) && stageRank(next.technique) >= stageRank(technique)
}

/** The place of a block in the usual order: that of the first of it that has one. */
export function rankOf(block: readonly PlanStep[]): number {
  const warming = (step: PlanStep) => block.some((other) => warms(step, other))
  const placed = block.find((step) => hasPlace(step.technique) && !warming(step)) ?? block[0]
  return placed ? stageRank(placed.technique) : 0
}
