import { REGION_IDS, type RegionId } from '../../face/zones'
import { breaksPair, type Option, type PlanCase, type SolveFrom } from '../question/planCase'
import {
  ceilingsOf,
  NOTHING_REMAINS,
  priced,
  relaxations,
  type Relaxed,
  type Remaining,
  remainingAfter,
  returns,
} from './bounds'
import { type Layers, layersOf, type Way } from './layers'
import { placed, type PlacedMove, transitions } from './moves'

/** A plan as far as some stage: where it leaves the skin, and what it has taken and brought. */
interface Label {
  /** State of the skin, within the layer of its stage. */
  at: number
  ticks: number
  loads: readonly number[]
  effects: readonly number[]
  taste: number
  cost: number
  idle: number
  exfoliations: number
  marks: number
  /** Option ids so far, each after a mark: ties go by them. */
  ids: string
  way: Way | undefined
  back: Label | undefined
}

/**
 * Loads with a move's added; undefined where that goes over a ceiling. Ceilings in the order of the
 * regions.
 */
function addLoads(
  have: readonly number[],
  add: readonly number[],
  ceilings: readonly number[],
): readonly number[] | undefined {
  let same = true
  for (let i = 0; i < have.length; i++) {
    const more = add[i] as number
    if (more === 0) continue
    same = false
    if ((have[i] as number) + more > (ceilings[i] as number)) return undefined
  }
  return same ? have : have.map((amount, i) => amount + (add[i] as number))
}

/**
 * A load that nothing still to come can lift over the ceiling no longer tells two labels apart. Real
 * loads are summed again at the end.
 */
function forget(
  loads: readonly number[],
  ceilings: readonly number[],
  remaining: Remaining,
): readonly number[] {
  let out: number[] | readonly number[] = loads
  for (let i = 0; i < loads.length; i++) {
    const load = loads[i] as number
    if (load === 0 || load + (remaining.loads[i] ?? 0) > (ceilings[i] as number)) continue
    if (out === loads) out = [...loads]
    ;(out as number[])[i] = 0
  }
  return out
}

const plus = (one: readonly number[], other: readonly number[]): readonly number[] =>
  one.map((item, i) => item + (other[i] ?? 0))

function worth(planCase: PlanCase, effects: readonly number[], taste: number): number {
  let total = taste
  for (let i = 0; i < effects.length; i++)
    total += (planCase.weights[i] ?? 0) * returns(effects[i] ?? 0)
  return total
}

/**
 * Keeps a label among those of its state unless one of them dominates it; drops those that it
 * dominates.
 */
function offer(
  next: Map<number, Label[]>,
  label: Label,
  planCase: PlanCase,
  remaining: Remaining,
): void {
  const list = next.get(label.at)
  if (!list) {
    next.set(label.at, [label])
    return
  }
  for (const other of list) if (dominates(other, label, planCase, remaining)) return
  let kept = 0
  for (const other of list) if (!dominates(label, other, planCase, remaining)) list[kept++] = other
  list.length = kept
  list.push(label)
}

/**
 * Whether every completion of `b` is also open to `a` and ends no lower in the order.
 * Returns are concave: where `a` is ahead in an aim its lead is smallest after the most that may
 * still come, where it is behind its lag is largest now.
 * Cost and idle minutes decide only between labels that are otherwise equal; then the smaller ids.
 */
function dominates(one: Label, other: Label, planCase: PlanCase, remaining: Remaining): boolean {
  if (
    one.ticks > other.ticks ||
    one.exfoliations > other.exfoliations ||
    (one.marks & ~other.marks) !== 0
  )
    return false
  if (one.loads !== other.loads)
    for (let i = 0; i < one.loads.length; i++)
      if ((one.loads[i] as number) > (other.loads[i] as number)) return false
  let lead = one.taste - other.taste
  let equal = lead === 0
  for (let i = 0; i < one.effects.length; i++) {
    const ea = one.effects[i] as number
    const eb = other.effects[i] as number
    if (ea === eb) continue
    equal = false
    const shift = ea > eb ? (remaining.effects[i] ?? 0) : 0
    lead += (planCase.weights[i] ?? 0) * (returns(ea + shift) - returns(eb + shift))
  }
  return lead > 0 || (equal && endsSooner(one, other))
}
/** Of two that are worth the same: less cost, less idle, the smaller ids. */
function endsSooner(one: Label, other: Label): boolean {
  if (one.cost !== other.cost) return one.cost < other.cost
  if (one.idle !== other.idle) return one.idle < other.idle
  // What follows is the same for both, so a name that another begins with is compared with the mark
  // after it.
  return `${one.ids}|` <= `${other.ids}|`
}

/**
 * Order of finished plans: greatest value, least cost, fewest idle ticks, smallest ids. Below zero
 * when the first is better.
 */
function compare(planCase: PlanCase, one: Label, other: Label): number {
  return (
    worth(planCase, other.effects, other.taste) - worth(planCase, one.effects, one.taste) ||
    one.cost - other.cost ||
    one.idle - other.idle ||
    (one.ids < other.ids ? -1 : 1)
  )
}

export interface Solution {
  moves: readonly PlacedMove[]
  options: readonly string[]
  /** The option of each stage; '' is none. */
  chosen: readonly string[]
  value: number
  costCents: number
  idleTicks: number
  ticks: number
  loads: Readonly<Record<RegionId, number>>
  effort: Effort
}

/** What the search took, counted: it tells nothing of a clock, and is the same on every machine. */
export interface Effort {
  /** Ways between states that were laid out. */
  ways: number
  /** Labels that were made, in all passes. */
  labels: number
}

/** What a label has chosen, written out from its last way back to the first. */
function toSolution(planCase: PlanCase, start: SolveFrom, label: Label, effort: Effort): Solution {
  const chain: Way[] = []
  for (let at: Label | undefined = label; at?.way; at = at.back) chain.push(at.way)
  chain.reverse()
  const loads = { ...start.loads }
  for (const way of chain)
    REGION_IDS.forEach((region, i) => {
      loads[region] += way.move?.loads[i] ?? 0
    })
  const chosen: Option[] = chain.flatMap((way) => way.option ?? [])
  return {
    moves: written(planCase, start, chosen),
    options: chosen.map((option) => option.id),
    chosen: chain.map((way) => way.option?.id ?? ''),
    value: worth(planCase, label.effects, label.taste),
    costCents: label.cost,
    idleTicks: label.idle,
    ticks: start.ticks + label.ticks,
    loads,
    effort,
  }
}

/**
 * The options with their connecting steps as the skin really is: ways between states that count as
 * one take as long and load as much, but what connects may differ.
 */
function written(planCase: PlanCase, start: SolveFrom, chosen: readonly Option[]): PlacedMove[] {
  const table = transitions(planCase.unavailable)
  let surface = table.intern(start.surface)
  return chosen.flatMap((option) => {
    const move = table.step(option, surface)
    if (!move) throw new Error(`${option.id} cannot stand where it was planned`)
    surface = move.surface
    return placed(option, move)
  })
}

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
    effort: { ways: waysIn(net), labels: 1 },
  }
  for (const [pass, width] of widths.entries()) {
    const found = run({ ...search, width }, first)
    // A pass that had to leave nothing aside is exact.
    if (found.whole) return found.best && toSolution(planCase, start, found.best, search.effort)
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
  /** Counted up as it goes. */
  effort: Effort
}

const waysIn = (net: Layers): number => {
  let count = 0
  for (const { ways } of net.layers) for (const from of ways) count += from?.length ?? 0
  return count
}

/** One pass through all stages, keeping so many labels at each. */
function run(search: Search, first: Label): { best: Label | undefined; whole: boolean } {
  let labels: Label[] = [first]
  let whole = true
  for (let stage = 0; stage < search.net.layers.length; stage++) {
    labels = throughStage(search, stage, labels)
    if (labels.length > search.width) {
      whole = false
      labels = mostPromising(labels, search, stage, search.width)
    }
  }
  let best: Label | undefined
  for (const label of labels) if (!best || compare(search.c, label, best) < 0) best = label
  return { best, whole }
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
      if (!further) continue
      search.effort.labels++
      offer(next, further, planCase, remaining)
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
