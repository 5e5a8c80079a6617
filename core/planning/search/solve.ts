import { REGION_IDS } from '../../face/zones'
import { ceilingsOf } from './ceilings'
import { NOTHING_REMAINS, remainingAfter, type Remaining } from './bounds'
import { addLoads, compare, forget, offer, plus, worth, type Label } from './labels'
import { layersOf, type Layers, type Way } from './layers'
import { breaksPair, type PlanCase, type SolveFrom } from '../question/planCase'
import { priced, relaxations, type Relaxed } from './relaxed'
import { toSolution, type Solution } from './solution'

/**
 * The plan of greatest value that fits the ticks, the ceilings and the surface: label setting over
 * stages, exact.
 * A label gives way to one on the same surface that dominates it, and to the best plan known when
 * even the easier question (`Relaxed`) does not lift it there.
 * Ties: least cost, then fewest idle ticks, then smallest option ids.
 * @param widths how many labels each pass keeps; the plan does not hang on it, only the time
 * @returns undefined when the floor itself does not fit, or what is done already takes longer.
 */
export function solve(
  planCase: PlanCase,
  slotTicks: number,
  from?: SolveFrom,
  widths: readonly number[] = WIDTHS,
): Solution | undefined {
  if (from && from.ticks > slotTicks) return undefined
  const net = layersOf(planCase, slotTicks, from)
  const { start } = net
  const exfoliationLimit = Math.max(0, planCase.maxExfoliations - start.exfoliations)
  const { bounds, paths } = relaxations(planCase, net, exfoliationLimit)
  if (paths.length === 0) return undefined
  const first = firstLabel(planCase, start)
  const ceilings = ceilingsOf(planCase, start.loads)
  const search: Search = {
    c: planCase,
    ceilings,
    net,
    exfoliationLimit,
    bounds,
    remaining: remainingAfter(planCase, net),
    incumbent: Math.max(...paths.map((path) => worthOf(planCase, ceilings, first, path))),
    width: 0,
  }
  for (const [pass, width] of widths.entries()) {
    const found = run({ ...search, width }, first)
    // A pass that had to leave nothing aside is exact.
    if (found.whole) return found.best && toSolution(planCase, start, found.best, found.count)
    if (found.best)
      search.incumbent = Math.max(
        search.incumbent,
        worth(planCase, found.best.effects, found.best.taste),
      )
    // Where even more labels are not enough, the load decides: the easier questions get a price on
    // it.
    if (pass === 1) {
      const more = priced(
        planCase,
        net,
        exfoliationLimit,
        search.bounds[0] as Relaxed,
        ceilings,
        first,
        search.incumbent,
      )
      search.bounds = [...more.bounds, ...search.bounds]
      search.incumbent = Math.max(
        search.incumbent,
        ...more.paths.map((path) => worthOf(planCase, ceilings, first, path)),
      )
    }
  }
  return undefined
}

/** Nothing chosen yet: what the skin carries at the start. */
const firstLabel = (planCase: PlanCase, start: SolveFrom): Label => ({
  at: 0,
  ticks: 0,
  loads: REGION_IDS.map((region) => start.loads[region]),
  effects: planCase.aims.map(() => 0),
  taste: 0,
  cost: 0,
  idle: 0,
  exfoliations: 0,
  marks: start.marks,
  ids: '',
  way: undefined,
  back: undefined,
})

/**
 * Labels that a pass keeps: a few to find a good plan quickly, more where that was hard, at last
 * all. Each pass is measured by the best plan of those before.
 */
const WIDTHS: readonly number[] = [12, 120, Number.POSITIVE_INFINITY]
interface Search {
  c: PlanCase
  /** In the order of the regions. */ ceilings: readonly number[]
  net: Layers
  exfoliationLimit: number
  bounds: readonly Relaxed[]
  remaining: readonly Remaining[]
  incumbent: number
  width: number
}

/** One pass through all stages, keeping so many labels at each. */
function run(
  search: Search,
  first: Label,
): { best: Label | undefined; count: number; whole: boolean } {
  let labels: Label[] = [first]
  let count = 1
  let whole = true
  for (let stage = 0; stage < search.net.layers.length; stage++) {
    labels = throughStage(search, stage, labels)
    if (labels.length > search.width) {
      whole = false
      labels = mostPromising(labels, search, stage, search.width)
    }
    count += labels.length
  }
  let best: Label | undefined
  for (const label of labels) if (!best || compare(search.c, label, best) < 0) best = label
  return { best, count, whole }
}

/** Every label taken one stage further by every way that may still lead somewhere. */
function throughStage(search: Search, stage: number, labels: readonly Label[]): Label[] {
  const { c: planCase, net, exfoliationLimit } = search
  const next = new Map<number, Label[]>()
  const remaining = search.remaining[stage] ?? NOTHING_REMAINS
  for (const label of labels)
    for (const way of net.layers[stage]?.ways[label.at] ?? []) {
      const ticks = label.ticks + way.ticks
      const exfoliations = label.exfoliations + (way.option?.exfoliates ? 1 : 0)
      // The bound goes first: it turns away most, and asks for nothing to be made.
      if (
        ticks > net.slot ||
        exfoliations > exfoliationLimit ||
        cannotBeat(search, stage, way, ticks, exfoliations, label)
      )
        continue
      const further = follow(search, label, way, ticks, exfoliations, remaining)
      if (further) offer(next, further, planCase, remaining)
    }
  return [...next.values()].flat()
}

/** A label taken along one way; undefined where a pair or a tolerance forbids it. */
function follow(
  { c: planCase, ceilings }: Search,
  label: Label,
  way: Way,
  ticks: number,
  exfoliations: number,
  remaining: Remaining,
): Label | undefined {
  const { option, move } = way
  const counted = remaining.exfoliations ? exfoliations : 0
  if (!option || !move)
    return {
      ...label,
      at: way.to,
      ticks,
      exfoliations: counted,
      marks: label.marks & remaining.marks,
      ids: `${label.ids}|`,
      way,
      back: label,
    }
  if (option.marks !== 0 && breaksPair(planCase.pairs, label.marks, option.marks)) return undefined
  const loads = addLoads(label.loads, move.loads, ceilings)
  return (
    loads && {
      at: way.to,
      ticks,
      loads: forget(loads, ceilings, remaining),
      effects: plus(label.effects, option.effects),
      taste: label.taste + way.taste,
      cost: label.cost + option.costCents,
      idle: label.idle + option.idleTicks,
      exfoliations: counted,
      marks: (label.marks | option.marks) & remaining.marks,
      ids: `${label.ids}|${option.id}`,
      way,
      back: label,
    }
  )
}

/** Those that may still come furthest. */
function mostPromising(
  labels: readonly Label[],
  search: Search,
  stage: number,
  width: number,
): Label[] {
  const { bounds, net, exfoliationLimit } = search
  return labels
    .map((label) => ({
      l: label,
      hope: bounds.reduce(
        (least, bound) =>
          Math.min(
            least,
            bound.bound(
              stage + 1,
              label.at,
              net.slot - label.ticks,
              exfoliationLimit - label.exfoliations,
              label,
            ),
          ),
        Number.POSITIVE_INFINITY,
      ),
    }))
    .sort((one, other) => other.hope - one.hope || one.l.ticks - other.l.ticks)
    .slice(0, width)
    .map((item) => item.l)
}

/**
 * Whether even the easier questions stay below the best plan known after one more way, or nothing
 * fits any more.
 */
function cannotBeat(
  { bounds, net, exfoliationLimit, incumbent }: Search,
  stage: number,
  way: Way,
  ticks: number,
  exfoliations: number,
  label: Label,
): boolean {
  for (const bound of bounds) {
    const most = bound.bound(
      stage + 1,
      way.to,
      net.slot - ticks,
      exfoliationLimit - exfoliations,
      label,
      way,
    )
    if (most === Number.NEGATIVE_INFINITY || most < incumbent) return true
  }
  return false
}

/**
 * What a way through all stages is worth, ceilings and pairs looked at; minus infinity where they
 * forbid it.
 */
function worthOf(
  planCase: PlanCase,
  ceilings: readonly number[],
  first: Label,
  path: readonly Way[],
): number {
  let loads: readonly number[] | undefined = first.loads
  let { effects, taste, marks } = first
  for (const { option, move, taste: liked } of path) {
    if (!option || !move) continue
    loads = addLoads(loads, move.loads, ceilings)
    if (!loads || breaksPair(planCase.pairs, marks, option.marks)) return Number.NEGATIVE_INFINITY
    effects = plus(effects, option.effects)
    taste += liked
    marks |= option.marks
  }
  return worth(planCase, effects, taste)
}
