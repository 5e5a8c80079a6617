import { REGION_IDS } from '../../face/zones'
import {
  breaksPair,
  type Option,
  type PlanCase,
  restsFull,
  type SolveFrom,
  type Stage,
} from '../question/planCase'
import { type Reached, type RowSet, type Transition, type Transitions, transitions } from './moves'
import { startSurface } from '../../surface/surface'
import { toTicks } from '../../units'

/**
 * One way through a stage: an option from one state of the skin to the next, or none. `from` and
 * `to` count within their layers.
 */
export interface Way {
  from: number
  to: number
  ticks: number
  /** How much the option is liked, less what its connecting steps here cost. */
  taste: number
  option: Option | undefined
  move: Transition | undefined
}

/**
 * The ways of one stage side by side in columns, those of one state together: `starts[state]` to
 * `starts[state + 1]`. There are thousands, and most are dropped again.
 */
interface RawLayer {
  id: string
  soonest: readonly number[]
  longest: readonly number[]
  starts: readonly number[]
  to: readonly number[]
  /** Number of the option within its stage; −1 is none. */
  order: readonly number[]
  /** What the options do, by state. */
  reached: readonly Reached[]
  options: readonly Option[]
  /** What one connecting step costs, in the currency of taste. */
  linkCost: number
}
interface MergedLayer {
  id: string
  soonest: number[]
  longest: number[]
  /** By state. */ ways: Way[][]
}

/**
 * States from which just the same may follow become one: the same options, in as many ticks, with
 * as many connecting steps and the same loads, to states that are one already.
 * From the end backwards; no plan gains or loses by it.
 * @returns the layers with their states renumbered, and how many ends are left
 */
function mergeEquivalent(
  raw: readonly RawLayer[],
  ends: number,
): { layers: MergedLayer[]; ends: number } {
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const layers: MergedLayer[] = []
  for (let stage = raw.length - 1; stage >= 0; stage--) {
    const layer = raw[stage]
    if (!layer) continue
    const merged = mergedStates(layer, same)
    same = merged.same
    layers.unshift(merged.out)
  }
  return { layers, ends: Math.min(1, ends) }
}

function mergedStates(
  layer: RawLayer,
  later: readonly number[],
): { same: number[]; out: MergedLayer } {
  const to = layer.to.map((state) => later[state] ?? 0)
  const known = new Map<number, number[]>()
  const first: number[] = []
  const same: number[] = []
  const soonest: number[] = []
  const longest: number[] = []
  const ways: Way[][] = []
  for (let state = 0; state < layer.soonest.length; state++) {
    const hash = hashOf(layer, to, state)
    const list = known.get(hash)
    const found = list?.find((index) => followAlike(layer, to, first[index] ?? 0, state))
    const early = layer.soonest[state] ?? 0
    const late = layer.longest[state] ?? 0
    if (found !== undefined) {
      same.push(found)
      soonest[found] = Math.min(soonest[found] ?? early, early)
      longest[found] = Math.max(longest[found] ?? late, late)
      continue
    }
    const index = first.length
    if (list) list.push(index)
    else known.set(hash, [index])
    first.push(state)
    same.push(index)
    soonest.push(early)
    longest.push(late)
    ways.push(waysOf(layer, to, state, index))
  }
  return { same, out: { id: layer.id, soonest, longest, ways } }
}

/** Whether from two states just the same may follow. */
function followAlike(layer: RawLayer, to: readonly number[], one: number, other: number): boolean {
  const { starts, order, reached } = layer
  const i = starts[one] ?? 0
  const j = starts[other] ?? 0
  const count = (starts[one + 1] ?? 0) - i
  if ((starts[other + 1] ?? 0) - j !== count) return false
  const here = reached[one]
  const there = reached[other]
  for (let arc = 0; arc < count; arc++) {
    const option = order[i + arc] ?? -1
    if (option !== order[j + arc] || to[i + arc] !== to[j + arc]) return false
    if (option >= 0 && !costsAlike(here, there, option)) return false
  }
  return true
}
const costsAlike = (
  one: Reached | undefined,
  other: Reached | undefined,
  option: number,
): boolean =>
  one?.ticks[option] === other?.ticks[option] &&
  one?.links[option] === other?.links[option] &&
  one?.loadsIds[option] === other?.loadsIds[option]

/** States from which the same follows have the same number; others mostly another. */
function hashOf({ starts, order, reached }: RawLayer, to: readonly number[], state: number) {
  const end = starts[state + 1] ?? 0
  const here = reached[state]
  let hash = 17
  for (let arc = starts[state] ?? 0; arc < end; arc++) {
    const option = order[arc] ?? -1
    hash =
      (Math.imul(hash, 31) +
        option * 7919 +
        (to[arc] ?? 0) * 104729 +
        (here?.ticks[option] ?? 0) * 13 +
        (here?.links[option] ?? 0) * 17 +
        (here?.loadsIds[option] ?? 0)) |
      0
  }
  return hash
}

function waysOf(layer: RawLayer, to: readonly number[], state: number, from: number): Way[] {
  const { starts, order, reached, options, linkCost } = layer
  const end = starts[state + 1] ?? 0
  const ways: Way[] = []
  for (let arc = starts[state] ?? 0; arc < end; arc++) {
    const option = order[arc] ?? -1
    const move = reached[state]?.moves[option] ?? undefined
    const chosen = move && options[option]
    ways.push({
      from,
      to: to[arc] ?? 0,
      ticks: move?.ticks ?? 0,
      taste: (chosen?.taste ?? 0) - linkCost * (move?.links ?? 0),
      option: chosen,
      move,
    })
  }
  return ways
}

interface Layer {
  id: string
  /**
   * What is done in this stage, less what nothing today allows; and the most load of any of it, by
   * region.
   */
  options: readonly Option[]
  most: readonly number[]
  /**
   * How many states the skin may be in when the stage begins, and the fewest and most ticks in
   * which each is reached.
   */
  states: number
  soonest: readonly number[]
  longest: readonly number[]
  /** By state. */
  ways: readonly (readonly Way[])[]
  /**
   * The same ways, those between the same two states and with as many exfoliations and as full a
   * dwell together, the quickest first.
   */
  bundles: readonly (readonly Way[])[]
}
export interface Layers {
  start: SolveFrom
  /** Ticks that are left. */
  slot: number
  /** What each region may still take, hundredths. */
  headroom: readonly number[]
  layers: readonly Layer[]
  /** States after the last stage. */
  ends: number
}

/**
 * Every state of the skin that can be reached stage by stage in the ticks there are, and every way
 * from one to the next that no tolerance, pair or minute forbids by itself.
 */
export function layersOf(planCase: PlanCase, slotTicks: number, from?: SolveFrom): Layers {
  const table = transitions(planCase.unavailable)
  const start = from ?? beginning(planCase)
  const headroom = REGION_IDS.map((region) =>
    Math.max(0, planCase.tolerance[region] - start.loads[region]),
  )
  const slot = slotTicks - start.ticks
  const stages = planCase.stages.slice(start.stage)
  const open = openOptions(planCase, start, stages)
  const sets = open.map((options) => table.rowSet(options))
  const lastWarm = sets.findLastIndex((set) => set.asksWarmth)
  const ahead = leastAhead(stages)
  const overfills = overfilling(headroom)
  let frontier = new Frontier(table)
  frontier.reach(table.intern(start.surface), 0, 0)
  const raw = stages.map((stage, stageAt) => {
    // Warmth that nothing to come asks after is forgotten.
    const next = new Frontier(table, stageAt >= lastWarm)
    const layer = layerFrom(stage, frontier, next, {
      table,
      slot,
      overfills,
      options: open[stageAt] ?? [],
      rows: sets[stageAt] ?? table.rowSet([]),
      linkCost: planCase.linkCost,
      // Later than this, what must still be done no longer fits.
      last: slot - (ahead[stageAt] ?? 0),
    })
    frontier = next
    return layer
  })
  const { layers, ends } = mergeEquivalent(raw, frontier.surfaces.length)
  return {
    start,
    slot,
    headroom,
    ends,
    layers: layers.map((layer, stage) => ({
      ...layer,
      options: raw[stage]?.options ?? [],
      most: raw[stage]?.most ?? [],
      states: layer.soonest.length,
      bundles: layer.ways.flatMap(bundled),
    })),
  }
}

/** A whole visit, from the first stage on. */
const beginning = (planCase: PlanCase): SolveFrom => ({
  surface: startSurface(planCase.madeUp),
  stage: 0,
  ticks: 0,
  loads: planCase.residual,
  exfoliations: 0,
  marks: 0,
})

/** By stage, what neither a pair with something certain nor the number of exfoliations forbids. */
function openOptions(planCase: PlanCase, start: SolveFrom, stages: readonly Stage[]): Option[][] {
  const certain = stages
    .filter((stage) => stage.must && stage.options.length > 0)
    .reduce(
      (marks, { options }) => marks | options.reduce((sum, option) => sum & option.marks, ~0),
      start.marks,
    )
  const mayExfoliate = start.exfoliations < planCase.maxExfoliations
  return stages.map((stage) =>
    stage.options.filter(
      (option) =>
        !breaksPair(planCase.pairs, certain & ~option.marks, option.marks) &&
        (mayExfoliate || !option.exfoliates),
    ),
  )
}

/** The states of the skin between two stages, in the order they were met. */
class Frontier {
  readonly surfaces: number[] = []
  /** Fewest and most ticks in which each is reached. */
  readonly soonest: number[] = []
  readonly longest: number[] = []
  private readonly met = new Map<number, number>()
  constructor(
    private readonly table: Transitions,
    private readonly forgetsWarmth = false,
  ) {}

  /** @returns the state's place among those met */
  reach(reached: number, ticks: number, most: number): number {
    const surface = this.forgetsWarmth ? this.table.unwarmed(reached) : reached
    const known = this.met.get(surface)
    if (known !== undefined) {
      if (ticks < (this.soonest[known] as number)) this.soonest[known] = ticks
      if (most > (this.longest[known] as number)) this.longest[known] = most
      return known
    }
    this.met.set(surface, this.surfaces.length)
    this.soonest.push(ticks)
    this.longest.push(most)
    return this.surfaces.push(surface) - 1
  }
}

interface StageWork {
  table: Transitions
  slot: number
  overfills: (reached: Reached, option: number) => boolean
  options: readonly Option[]
  rows: RowSet
  last: number
  linkCost: number
}

/** The ways of one stage, from each state before it; what they reach is met in `next`. */
function layerFrom(
  stage: Stage,
  now: Frontier,
  next: Frontier,
  work: StageWork,
): RawLayer & {
  most: readonly number[]
} {
  const { table, slot, overfills, options, rows, last, linkCost } = work
  const starts = [0]
  const to: number[] = []
  const order: number[] = []
  const reachedFrom: Reached[] = []
  const mayBeNone = !stage.must || stage.options.length === 0
  now.surfaces.forEach((surface, state) => {
    const ticks = now.soonest[state] ?? 0
    const most = now.longest[state] ?? 0
    if (mayBeNone) {
      to.push(next.reach(surface, ticks, most))
      order.push(-1)
    }
    const reached = table.from(rows, surface)
    reachedFrom.push(reached)
    for (let option = 0; option < options.length; option++) {
      const own = reached.ticks[option] as number
      if (own < 0 || ticks + own > last || overfills(reached, option)) continue
      const late = Math.min(slot, most + own)
      to.push(next.reach(reached.surfaces[option] as number, ticks + own, late))
      order.push(option)
    }
    starts.push(to.length)
  })
  return {
    id: stage.id,
    soonest: now.soonest,
    longest: now.longest,
    starts,
    to,
    order,
    reached: reachedFrom,
    options,
    linkCost,
    most: rows.most,
  }
}

/**
 * By stage, the ticks that the stages after it take at least: what must be done, without connecting
 * steps.
 */
function leastAhead(stages: PlanCase['stages']): number[] {
  const out: number[] = []
  let sum = 0
  for (let stageAt = stages.length - 1; stageAt >= 0; stageAt--) {
    out[stageAt] = sum
    const stage = stages[stageAt]
    if (stage?.must && stage.options.length > 0)
      sum += Math.min(
        ...stage.options.map((option) =>
          option.moves.reduce((sum, move) => sum + toTicks(move.minutes), 0),
        ),
      )
  }
  return out
}

/** The ways of one state. */
function bundled(ways: readonly Way[]): Way[][] {
  const by = new Map<number, Way[]>()
  for (const way of ways) {
    const key =
      way.to * 4 + (way.option?.exfoliates ? 1 : 0) + (way.option && restsFull(way.option) ? 2 : 0)
    const list = by.get(key)
    if (list) list.push(way)
    else by.set(key, [way])
  }
  const out = [...by.values()]
  for (const list of out) if (list.length > 1) list.sort((one, other) => one.ticks - other.ticks)
  return out
}

/** Whether a move's loads alone go over a tolerance; each set of loads is looked at once. */
function overfilling(headroom: readonly number[]): (reached: Reached, option: number) => boolean {
  const known: boolean[] = []
  return (reached, option) =>
    (known[reached.loadsIds[option] as number] ??=
      reached.moves[option]?.loads.some((load, i) => load > 0 && load > (headroom[i] ?? 0)) ??
      false)
}
