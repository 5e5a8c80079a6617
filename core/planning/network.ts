import { RETURNS } from '../catalogue/adaptations'
import { REGION_IDS } from '../face/zones'
import { startSurface } from '../surface/surface'
import type { Option, PlanCase } from './compile'
import type { SolveFrom } from './solve'
import { transitions, type Transition } from './transitions'

/** One way through a stage from one state of the skin to the next: an option with its connecting steps, or none. Whole numbers throughout. */
export interface Arc { from: number, to: number, /** '' is none. */ option: string, ticks: number, loads: readonly number[], effects: readonly number[], taste: number, cost: number, idle: number, exfoliates: 0 | 1 }
/** Published as `docs/formats/plan-case.schema.json`. Regions in the order of `regions`, effects in the order of `weights`. */
export interface PlanNetwork {
  format: 'oak-basin/plan-case'
  formatVersion: 1
  slotTicks: number
  weights: readonly number[]
  /** Return on an effect: slope up to a bound; the last has none. */
  returns: readonly { upTo: number | null, slope: number }[]
  regions: readonly string[]
  /** What each region may still take, hundredths. */
  headroom: readonly number[]
  maxExfoliations: number
  /** States at the start of each stage, and after the last. */
  states: readonly number[]
  stages: readonly { id: string, arcs: readonly Arc[] }[]
}

/**
 * The question written out whole, for any solver: every state of the skin that can be reached in the ticks there are, and every way from one to the next.
 * Nothing in it needs the surface model or the catalogue any more.
 */
export function network(c: PlanCase, slotTicks: number, from?: SolveFrom): PlanNetwork {
  const table = transitions()
  const start = from ?? { surface: startSurface(c.madeUp), stage: 0, ticks: 0, loads: c.residual, exfoliations: 0 }
  const headroom = REGION_IDS.map((r) => Math.max(0, c.rim[r] - start.loads[r]))
  const left = slotTicks - start.ticks
  let layer = new Map<number, { index: number, soonest: number }>([[table.intern(start.surface), { index: 0, soonest: 0 }]])
  const states = [1]
  const stages = c.stages.slice(start.stage).map((stage) => {
    const next = new Map<number, { index: number, soonest: number }>()
    const reach = (surface: number, soonest: number) => {
      const known = next.get(surface)
      if (known) { known.soonest = Math.min(known.soonest, soonest); return known.index }
      next.set(surface, { index: next.size, soonest })
      return next.size - 1
    }
    const arcs: Arc[] = []
    const ways = stage.options.map((o) => ({ o, after: table.of(o) }))
    for (const [surface, at] of layer) {
      if (!stage.must || stage.options.length === 0) arcs.push({ from: at.index, to: reach(surface, at.soonest), option: '', ticks: 0, loads: [], effects: c.aims.map(() => 0), taste: 0, cost: 0, idle: 0, exfoliates: 0 })
      for (const { o, after } of ways) {
        const arc = arcOf(after(surface), o, headroom)
        if (arc && at.soonest + arc.ticks <= left) arcs.push({ ...arc, from: at.index, to: reach(arc.to, at.soonest + arc.ticks) })
      }
    }
    layer = next
    states.push(next.size)
    return { id: stage.id, arcs }
  })
  return { format: 'oak-basin/plan-case', formatVersion: 1, slotTicks: left, weights: c.weights, returns: RETURNS.map((r) => ({ upTo: r.upTo === Number.MAX_SAFE_INTEGER ? null : r.upTo, slope: r.slope })), regions: REGION_IDS, headroom, maxExfoliations: c.maxExfoliations - start.exfoliations, states, stages }
}

function arcOf(move: Transition | undefined, o: Option, headroom: readonly number[]): Arc | undefined {
  if (!move || move.loads.some((l, i) => l > (headroom[i] ?? 0))) return undefined
  return { from: 0, to: move.surface, option: o.id, ticks: move.ticks, loads: move.loads, effects: o.effects, taste: o.taste, cost: o.costCents, idle: o.idleTicks, exfoliates: o.exfoliates ? 1 : 0 }
}
