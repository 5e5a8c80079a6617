import { REGION_IDS, type RegionId } from '../face/zones'
import { startSurface, type Surface } from '../surface/surface'
import { GainToGo, NOTHING_STILL, stillToCome, type Still } from './bounds'
import type { Option, PlanCase } from './compile'
import { returns } from './returns'
import { placed, transitions, type PlacedMove, type Transition } from './transitions'

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
  labels: number
}

/** Where solving starts: the whole visit, or what is left of one already begun. */
export interface SolveFrom { surface: Surface, stage: number, ticks: number, loads: Readonly<Record<RegionId, number>>, exfoliations: number }

interface Label {
  surface: number, ticks: number, loads: readonly number[], effects: readonly number[], taste: number, cost: number, idle: number, exfoliations: number
  option: Option | undefined, transition: Transition | undefined, back: Label | undefined
}

/**
 * The plan of greatest value that fits the ticks, the rims and the surface: label setting over stages, exact.
 * A label gives way to one on the same surface that dominates it, and to the best plan known when even the most that later stages can add (`GainToGo`) does not reach it.
 * Ties: least cost, then fewest idle ticks, then smallest option ids.
 * @returns undefined when the floor itself does not fit.
 */
export function solve(c: PlanCase, slotTicks: number, from?: SolveFrom): Solution | undefined {
  const table = transitions()
  const start = from ?? { surface: startSurface(c.madeUp), stage: 0, ticks: 0, loads: c.residual, exfoliations: 0 }
  const stages = c.stages.slice(start.stage)
  const first: Label = {
    surface: table.intern(start.surface), ticks: start.ticks, loads: REGION_IDS.map((r) => start.loads[r]), effects: c.aims.map(() => 0), taste: 0, cost: 0, idle: 0,
    exfoliations: start.exfoliations, option: undefined, transition: undefined, back: undefined,
  }
  const toGo = new GainToGo(c, stages, slotTicks)
  const still = stillToCome(c, stages)
  const ways = stages.map((s) => s.options.map((o) => ({ o, after: table.of(o) })))
  const rough = run({ c, stages, ways, slotTicks, toGo, still, incumbent: Number.NEGATIVE_INFINITY, width: ROUGH_WIDTH }, first)
  // A first pass that had to leave nothing aside was exact already.
  const best = rough.whole ? rough : run({ c, stages, ways, slotTicks, toGo, still, incumbent: rough.best ? value(c, rough.best) : Number.NEGATIVE_INFINITY, width: Number.POSITIVE_INFINITY }, first)
  return best.best && toSolution(c, start.loads, best.best, best.count)
}

/** Labels that a first, rough pass keeps: enough to find a plan that later bounds are measured by. */
const ROUGH_WIDTH = 10
interface Way { o: Option, after: (surface: number) => Transition | undefined }
interface Search { c: PlanCase, stages: PlanCase['stages'], ways: readonly (readonly Way[])[], slotTicks: number, toGo: GainToGo, still: readonly Still[], incumbent: number, width: number }

function run(search: Search, first: Label): { best: Label | undefined, count: number, whole: boolean } {
  const { c, stages, ways, slotTicks, width, still } = search
  let labels: Label[] = [first]
  let count = 1
  let whole = true
  for (let s = 0; s < stages.length; s++) {
    const stage = stages[s]
    if (!stage) break
    const next = new Map<number, Label[]>()
    for (const label of labels) {
      if ((!stage.must || stage.options.length === 0) && !hopeless(search, s, label.ticks, label.effects, label.taste)) offer(next, { ...label, option: undefined, transition: undefined, back: label }, search, s)
      for (const { o: option, after } of ways[s] ?? []) {
        if (option.exfoliates && label.exfoliations >= c.maxExfoliations) continue
        const move = after(label.surface)
        if (!move) continue
        const ticks = label.ticks + move.ticks
        if (ticks > slotTicks) continue
        const added = addLoads(label.loads, move.loads, c)
        if (!added) continue
        const effects = plus(label.effects, option.effects)
        const taste = label.taste + option.taste
        if (hopeless(search, s, ticks, effects, taste)) continue
        const loads = forget(added, c, still[s])
        offer(next, {
          surface: move.surface, ticks, loads, effects, taste, cost: label.cost + option.costCents,
          idle: label.idle + option.idleTicks, exfoliations: label.exfoliations + (option.exfoliates ? 1 : 0), option, transition: move, back: label,
        }, search, s)
      }
    }
    labels = [...next.values()].flat()
    if (labels.length > width) { whole = false; labels = mostPromising(labels, search, s, width) }
    count += labels.length
  }
  let best: Label | undefined
  for (const l of labels) if (!best || compare(c, l, best) < 0) best = l
  return { best, count, whole }
}

/** Those that may still come furthest, by what they are worth and the most that may follow. */
function mostPromising(labels: readonly Label[], { c, toGo, slotTicks }: Search, stage: number, width: number): Label[] {
  return labels.map((l) => ({ l, hope: value(c, l) + toGo.least(stage, slotTicks - l.ticks, l.effects) })).sort((a, b) => b.hope - a.hope || a.l.ticks - b.l.ticks).slice(0, width).map((x) => x.l)
}

function addLoads(have: readonly number[], add: readonly number[], c: PlanCase): readonly number[] | undefined {
  let same = true
  for (let i = 0; i < have.length; i++) {
    const a = add[i] ?? 0
    if (a === 0) continue
    same = false
    const region = REGION_IDS[i]
    if (region !== undefined && (have[i] ?? 0) + a > c.rim[region]) return undefined
  }
  return same ? have : have.map((h, i) => h + (add[i] ?? 0))
}

/** A load that nothing still to come can lift over the rim no longer tells two labels apart. Real loads are summed again at the end. */
function forget(loads: readonly number[], c: PlanCase, still: Still | undefined): readonly number[] {
  let out: number[] | readonly number[] = loads
  for (let i = 0; i < loads.length; i++) {
    const r = REGION_IDS[i]
    const l = loads[i] ?? 0
    if (l === 0 || r === undefined || l + (still?.loads[i] ?? 0) > c.rim[r]) continue
    if (out === loads) out = [...loads]
    ;(out as number[])[i] = 0
  }
  return out
}

const plus = (a: readonly number[], b: readonly number[]) => a.map((x, i) => x + (b[i] ?? 0))

/** Whether even the most that may follow stays below the best plan known, or the musts no longer fit. */
function hopeless({ c, toGo, slotTicks, incumbent }: Search, stage: number, ticks: number, effects: readonly number[], taste: number): boolean {
  if (!toGo.fits(stage, slotTicks - ticks)) return true
  if (incumbent === Number.NEGATIVE_INFINITY) return false
  return toGo.below(stage, slotTicks - ticks, effects, worth(c, effects, taste), incumbent)
}

function offer(next: Map<number, Label[]>, label: Label, { c, still }: Search, stage: number): void {
  const list = next.get(label.surface)
  if (!list) { next.set(label.surface, [label]); return }
  const coming = still[stage] ?? NOTHING_STILL
  for (const other of list) if (dominates(other, label, c, coming)) return
  let kept = 0
  for (const other of list) if (!dominates(label, other, c, coming)) list[kept++] = other
  list.length = kept
  list.push(label)
}

/**
 * Whether every completion of `b` is also open to `a` and ends no lower in the order.
 * Returns are concave: where `a` is ahead in an aim its lead is smallest after the most that may still come, where it is behind its lag is largest now.
 * Cost and idle minutes decide only between labels that are otherwise equal; then the smaller ids.
 */
function dominates(a: Label, b: Label, c: PlanCase, still: Still): boolean {
  if (a.ticks > b.ticks || a.exfoliations > b.exfoliations) return false
  if (a.loads !== b.loads) for (let i = 0; i < a.loads.length; i++) if ((a.loads[i] ?? 0) > (b.loads[i] ?? 0)) return false
  let lead = a.taste - b.taste
  let equal = lead === 0
  for (let i = 0; i < a.effects.length; i++) {
    const ea = a.effects[i] ?? 0
    const eb = b.effects[i] ?? 0
    if (ea === eb) continue
    equal = false
    const shift = ea > eb ? (still.effects[i] ?? 0) : 0
    lead += (c.weights[i] ?? 0) * (returns(ea + shift) - returns(eb + shift))
  }
  if (lead > 0) return true
  if (!equal) return false
  if (a.cost !== b.cost) return a.cost < b.cost
  if (a.idle !== b.idle) return a.idle < b.idle
  return ids(a) <= ids(b)
}

function worth(c: PlanCase, effects: readonly number[], taste: number): number {
  let v = taste
  for (let i = 0; i < effects.length; i++) v += (c.weights[i] ?? 0) * returns(effects[i] ?? 0)
  return v
}
const value = (c: PlanCase, l: Label) => worth(c, l.effects, l.taste)
function ids(l: Label): string {
  const out: string[] = []
  for (let at: Label | undefined = l; at; at = at.back) out.push(at.option?.id ?? '')
  return out.reverse().join('|')
}
function compare(c: PlanCase, a: Label, b: Label): number {
  return value(c, b) - value(c, a) || a.cost - b.cost || a.idle - b.idle || (ids(a) < ids(b) ? -1 : 1)
}

function toSolution(c: PlanCase, before: SolveFrom['loads'], label: Label, labels: number): Solution {
  const chain: Label[] = []
  for (let at: Label | undefined = label; at; at = at.back) chain.push(at)
  chain.reverse()
  return {
    moves: chain.flatMap((l) => (l.option && l.transition ? placed(l.option, l.transition) : [])), options: chain.flatMap((l) => (l.option ? [l.option.id] : [])), chosen: chain.slice(1).map((l) => l.option?.id ?? ''), value: value(c, label), costCents: label.cost, idleTicks: label.idle,
    ticks: label.ticks, loads: totalLoads(before, chain), labels,
  }
}

function totalLoads(before: SolveFrom['loads'], chain: readonly Label[]): Record<RegionId, number> {
  const out = { ...before }
  for (const l of chain) REGION_IDS.forEach((r, i) => { out[r] += l.transition?.loads[i] ?? 0 })
  return out
}
