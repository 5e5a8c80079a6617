import { REGION_IDS } from '../../face/zones'
import { startSurface } from '../../surface/surface'
import { alike, type Way } from './alike'
import { breaksPair, type Option, type PlanCase, type SolveFrom } from '../question/planCase'
import { transitions, type Reached } from './transitions'
import { toTicks } from '../../units'

export type { Way } from './alike'
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
   * The same ways, those between the same two states and with as many works together, the quickest
   * first.
   */
  bundles: readonly (readonly Way[])[]
}
export interface Layers {
  start: SolveFrom
  /** Ticks that are left. */ slot: number
  /** What each region may still take, hundredths. */ headroom: readonly number[]
  layers: readonly Layer[]
  /** States after the last stage. */ ends: number
}

/**
 * Every state of the skin that can be reached stage by stage in the ticks there are, and every way
 * from one to the next that no tolerance, pair or minute forbids by itself.
 */
export function layersOf(c: PlanCase, slotTicks: number, from?: SolveFrom): Layers {
  const table = transitions()
  const start = from ?? {
    surface: startSurface(c.madeUp),
    stage: 0,
    ticks: 0,
    loads: c.residual,
    exfoliations: 0,
    marks: 0,
  }
  const headroom = REGION_IDS.map((r) => Math.max(0, c.tolerance[r] - start.loads[r]))
  const slot = slotTicks - start.ticks
  const overfills = overfilling(headroom)
  const stages = c.stages.slice(start.stage)
  const sure = stages.reduce(
    (m, s) =>
      s.must && s.options.length > 0 ? m | s.options.reduce((a, o) => a & o.marks, ~0) : m,
    start.marks,
  )
  const open = stages.map((stage) =>
    stage.options.filter(
      (o) =>
        !breaksPair(c.pairs, sure & ~o.marks, o.marks) &&
        (!o.exfoliates || start.exfoliations < c.maxExfoliations),
    ),
  )
  const sets = open.map((options) => table.rowSet(options))
  const lastWarm = sets.findLastIndex((set) => set.asksWarmth)
  const ahead = leastAhead(stages)
  // By state, in the order they were met: the surface's number, the fewest ticks and the most.
  let surfaces: number[] = [table.intern(start.surface)]
  let soonest: number[] = [0]
  let longest: number[] = [0]
  const raw = stages.map((stage, s) => {
    const met = new Map<number, number>()
    const next: number[] = []
    const early: number[] = []
    const late: number[] = []
    const reach = (reached: number, ticks: number, most: number): number => {
      const surface = s >= lastWarm ? table.unwarmed(reached) : reached
      const known = met.get(surface)
      if (known !== undefined) {
        if (ticks < (early[known] as number)) early[known] = ticks
        if (most > (late[known] as number)) late[known] = most
        return known
      }
      met.set(surface, next.length)
      early.push(ticks)
      late.push(most)
      return next.push(surface) - 1
    }
    const options = open[s] ?? []
    const rows = sets[s] ?? table.rowSet([])
    // Later than this, what must still be done no longer fits.
    const last = slot - (ahead[s] ?? 0)
    const layer = {
      id: stage.id,
      soonest,
      longest,
      starts: [0],
      to: [] as number[],
      order: [] as number[],
      reached: [] as Reached[],
      options,
      most: rows.most,
    }
    for (let i = 0; i < surfaces.length; i++) {
      const surface = surfaces[i] ?? 0
      const ticks = soonest[i] ?? 0
      const most = longest[i] ?? 0
      if (!stage.must || stage.options.length === 0) {
        layer.to.push(reach(surface, ticks, most))
        layer.order.push(-1)
      }
      const reached = table.from(rows, surface)
      layer.reached.push(reached)
      for (let o = 0; o < options.length; o++) {
        const own = reached.ticks[o] as number
        if (own < 0 || ticks + own > last || overfills(reached, o)) continue
        layer.to.push(reach(reached.surfaces[o] as number, ticks + own, Math.min(slot, most + own)))
        layer.order.push(o)
      }
      layer.starts.push(layer.to.length)
    }
    surfaces = next
    soonest = early
    longest = late
    return layer
  })
  const { layers, ends } = alike(raw, surfaces.length)
  return {
    start,
    slot,
    headroom,
    ends,
    layers: layers.map((l, s) => ({
      ...l,
      options: raw[s]?.options ?? [],
      most: raw[s]?.most ?? [],
      states: l.soonest.length,
      bundles: l.ways.flatMap(bundled),
    })),
  }
}

/**
 * By stage, the ticks that the stages after it take at least: what must be done, without connecting
 * steps.
 */
function leastAhead(stages: PlanCase['stages']): number[] {
  const out: number[] = []
  let sum = 0
  for (let s = stages.length - 1; s >= 0; s--) {
    out[s] = sum
    const stage = stages[s]
    if (stage?.must && stage.options.length > 0)
      sum += Math.min(
        ...stage.options.map((o) => o.moves.reduce((t, m) => t + toTicks(m.minutes), 0)),
      )
  }
  return out
}

/** The ways of one state. */
function bundled(ways: readonly Way[]): Way[][] {
  const by = new Map<number, Way[]>()
  for (const w of ways) {
    const key = w.to * 2 + (w.option?.exfoliates ? 1 : 0)
    const list = by.get(key)
    if (list) list.push(w)
    else by.set(key, [w])
  }
  const out = [...by.values()]
  for (const list of out) if (list.length > 1) list.sort((a, b) => a.ticks - b.ticks)
  return out
}

/** Whether a move's loads alone go over a tolerance; each set of loads is looked at once. */
function overfilling(headroom: readonly number[]): (reached: Reached, option: number) => boolean {
  const known: boolean[] = []
  return (reached, option) =>
    (known[reached.loadsIds[option] as number] ??=
      reached.moves[option]?.loads.some((l, i) => l > 0 && l > (headroom[i] ?? 0)) ?? false)
}
