import { REGION_IDS } from '../../face/zones'
import { startSurface } from '../../surface/surface'
import { toTicks } from '../../units'
import {
  breaksPair,
  type Option,
  restsFull,
  type PlanCase,
  type SolveFrom,
  type Stage,
} from '../question/planCase'
import { mergeEquivalent, type RawLayer, type Way } from './equivalent'
import type { Reached, RowSet, Transitions } from './transitions'
import { transitions } from './transitionStore'

export type { Way } from './equivalent'
export interface Layer {
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
  const raw = stages.map((stage, ownStage) => {
    // Warmth that nothing to come asks after is forgotten.
    const next = new Frontier(table, ownStage >= lastWarm)
    const layer = layerFrom(stage, frontier, next, {
      table,
      slot,
      overfills,
      options: open[ownStage] ?? [],
      rows: sets[ownStage] ?? table.rowSet([]),
      linkCost: planCase.linkCost,
      // Later than this, what must still be done no longer fits.
      last: slot - (ahead[ownStage] ?? 0),
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
  for (let ownStage = stages.length - 1; ownStage >= 0; ownStage--) {
    out[ownStage] = sum
    const stage = stages[ownStage]
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
