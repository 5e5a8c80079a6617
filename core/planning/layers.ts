import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS } from '../face/zones'
import { feelsHeat } from '../load/loads'
import { startSurface } from '../surface/surface'
import { alike, type RawLayer, type Way } from './alike'
import { breaksPair, type Option, type PlanCase, type SolveFrom } from './planCase'
import { transitions } from './transitions'

export type { Way } from './alike'
export interface Layer {
  id: string
  /** How many states the skin may be in when the stage begins, and the fewest ticks in which each is reached. */
  states: number
  soonest: readonly number[]
  ways: readonly Way[]
  /** The same ways, those between the same two states and with as many works together, the quickest first. */
  bundles: readonly (readonly Way[])[]
}
export interface Layers { start: SolveFrom, /** Ticks that are left. */ slot: number, /** What each region may still take, hundredths. */ headroom: readonly number[], layers: readonly Layer[], /** States after the last stage. */ ends: number }

/** Every state of the skin that can be reached stage by stage in the ticks there are, and every way from one to the next that no rim, pair or minute forbids by itself. */
export function layersOf(c: PlanCase, slotTicks: number, from?: SolveFrom): Layers {
  const table = transitions()
  const start = from ?? { surface: startSurface(c.madeUp), stage: 0, ticks: 0, loads: c.residual, exfoliations: 0, marks: 0 }
  const headroom = REGION_IDS.map((r) => Math.max(0, c.rim[r] - start.loads[r]))
  const slot = slotTicks - start.ticks
  let layer = new Map<number, { index: number, soonest: number }>([[table.intern(start.surface), { index: 0, soonest: 0 }]])
  const stages = c.stages.slice(start.stage)
  const sure = stages.reduce((m, s) => (s.must && s.options.length > 0 ? m | s.options.reduce((a, o) => a & o.marks, ~0) : m), start.marks)
  const lastWarm = stages.findLastIndex((s) => s.options.some(asksWarmth))
  const raw = stages.map((stage, s): RawLayer => {
    const next = new Map<number, { index: number, soonest: number }>()
    const reach = (reached: number, soonest: number) => {
      const surface = s >= lastWarm ? table.unwarmed(reached) : reached
      const known = next.get(surface)
      if (known) { if (soonest < known.soonest) known.soonest = soonest; return known.index }
      next.set(surface, { index: next.size, soonest })
      return next.size - 1
    }
    const ways: Way[] = []
    const order: number[] = []
    const open = stage.options.filter((o) => !breaksPair(c.pairs, sure & ~o.marks, o.marks) && (!o.exfoliates || start.exfoliations < c.maxExfoliations)).map((o, n) => ({ o, n, after: table.of(o) }))
    for (const [surface, at] of layer) {
      if (!stage.must || stage.options.length === 0) { ways.push({ from: at.index, to: reach(surface, at.soonest), ticks: 0, option: undefined, move: undefined }); order.push(-1) }
      for (const { o, after, n } of open) {
        const move = after(surface)
        if (!move || at.soonest + move.ticks > slot || overfills(move.loads, headroom)) continue
        ways.push({ from: at.index, to: reach(move.surface, at.soonest + move.ticks), ticks: move.ticks, option: o, move })
        order.push(n)
      }
    }
    const soonest = [...layer.values()].map((x) => x.soonest)
    layer = next
    return { id: stage.id, soonest, ways, order }
  })
  const { layers, ends } = alike(raw, layer.size)
  return { start, slot, headroom, ends, layers: layers.map((l) => ({ ...l, states: l.soonest.length, bundles: bundled(l.ways) })) }
}

function bundled(ways: readonly Way[]): Way[][] {
  const by = new Map<number, Way[]>()
  for (const w of ways) {
    const key = (w.from * 4096 + w.to) * 2 + (w.option?.exfoliates ? 1 : 0)
    const list = by.get(key)
    if (list) list.push(w); else by.set(key, [w])
  }
  const out = [...by.values()]
  for (const list of out) if (list.length > 1) list.sort((a, b) => a.ticks - b.ticks)
  return out
}

const asksWarmth = (o: Option): boolean => o.moves.some((m) => TECHNIQUES[m.technique].needs.warmth !== undefined || feelsHeat(TECHNIQUES[m.technique]))

function overfills(loads: readonly number[], headroom: readonly number[]): boolean {
  for (let i = 0; i < loads.length; i++) { const l = loads[i] ?? 0; if (l > 0 && l > (headroom[i] ?? 0)) return true }
  return false
}
