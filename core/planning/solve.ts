import { REGION_IDS, type RegionId } from '../face/zones'
import { NOTHING_STILL, stillToCome, type Still } from './bounds'
import { layersOf, type Layers, type Way } from './layers'
import { breaksPair, type PlanCase, type SolveFrom } from './planCase'
import { relaxations, type Relaxed } from './relaxed'
import { returns } from './returns'
import { placed, type PlacedMove } from './transitions'

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

interface Label {
  /** State of the skin, within the layer of its stage. */
  at: number, ticks: number, loads: readonly number[], effects: readonly number[], taste: number, cost: number, idle: number, exfoliations: number, marks: number
  /** Option ids so far, each after a mark: ties go by them. */
  ids: string
  way: Way | undefined, back: Label | undefined
}

/**
 * The plan of greatest value that fits the ticks, the rims and the surface: label setting over stages, exact.
 * A label gives way to one on the same surface that dominates it, and to the best plan known when even the easier question (`Relaxed`) does not lift it there.
 * Ties: least cost, then fewest idle ticks, then smallest option ids.
 * @returns undefined when the floor itself does not fit.
 */
export function solve(c: PlanCase, slotTicks: number, from?: SolveFrom): Solution | undefined {
  const net = layersOf(c, slotTicks, from)
  const { start } = net
  const works = Math.max(0, c.maxExfoliations - start.exfoliations)
  const { bounds, paths } = relaxations(c, net, works)
  if (paths.length === 0) return undefined
  const first: Label = {
    at: 0, ticks: 0, loads: REGION_IDS.map((r) => start.loads[r]), effects: c.aims.map(() => 0), taste: 0, cost: 0, idle: 0, exfoliations: 0, marks: start.marks, ids: '', way: undefined, back: undefined,
  }
  const search: Search = { c, net, works, bounds, still: stillToCome(c, net), incumbent: Math.max(...paths.map((p) => worthOf(c, start, p))), width: 0 }
  let { incumbent } = search
  for (const width of WIDTHS) {
    const found = run({ ...search, incumbent, width }, first)
    // A pass that had to leave nothing aside is exact.
    if (found.whole) return found.best && toSolution(c, start, found.best, found.count)
    if (found.best) incumbent = Math.max(incumbent, value(c, found.best))
  }
  return undefined
}

/** Labels that a pass keeps: a few to find a good plan quickly, more where that was hard, at last all. Each pass is measured by the best plan of those before. */
const WIDTHS = [12, 120, Number.POSITIVE_INFINITY]
interface Search { c: PlanCase, net: Layers, works: number, bounds: readonly Relaxed[], still: readonly Still[], incumbent: number, width: number }

function run(search: Search, first: Label): { best: Label | undefined, count: number, whole: boolean } {
  const { c, net, works, width, still } = search
  let labels: Label[] = [first]
  let count = 1
  let whole = true
  for (let s = 0; s < net.layers.length; s++) {
    const next = new Map<number, Label[]>()
    const lasting = still[s] ?? NOTHING_STILL
    for (const label of labels) for (const way of net.layers[s]?.ways[label.at] ?? []) {
      const { option, move } = way
      const ticks = label.ticks + way.ticks
      if (ticks > net.slot) continue
      if (!option || !move) {
        if (!hopeless(search, s, way.to, ticks, label.exfoliations, label.effects, label.taste)) offer(next, {
          at: way.to, ticks, loads: label.loads, effects: label.effects, taste: label.taste, cost: label.cost, idle: label.idle,
          exfoliations: lasting.works ? label.exfoliations : 0, marks: label.marks & lasting.marks, ids: `${label.ids}|`, way, back: label,
        }, search, s)
        continue
      }
      const exfoliations = label.exfoliations + (option.exfoliates ? 1 : 0)
      if (exfoliations > works || (option.marks !== 0 && breaksPair(c.pairs, label.marks, option.marks))) continue
      const added = addLoads(label.loads, move.loads, c)
      if (!added) continue
      const effects = plus(label.effects, option.effects)
      const taste = label.taste + option.taste
      if (hopeless(search, s, way.to, ticks, exfoliations, effects, taste)) continue
      offer(next, {
        at: way.to, ticks, loads: forget(added, c, lasting), effects, taste, cost: label.cost + option.costCents, idle: label.idle + option.idleTicks,
        exfoliations: lasting.works ? exfoliations : 0, marks: (label.marks | option.marks) & lasting.marks, ids: `${label.ids}|${option.id}`, way, back: label,
      }, search, s)
    }
    labels = [...next.values()].flat()
    if (labels.length > width) { whole = false; labels = mostPromising(labels, search, s, width) }
    count += labels.length
  }
  let best: Label | undefined
  for (const l of labels) if (!best || compare(c, l, best) < 0) best = l
  return { best, count, whole }
}

/** Those that may still come furthest. */
function mostPromising(labels: readonly Label[], search: Search, stage: number, width: number): Label[] {
  return labels.map((l) => ({ l, hope: furthest(search, stage, l.at, l.ticks, l.exfoliations, l.effects, l.taste, Number.NEGATIVE_INFINITY) })).sort((a, b) => b.hope - a.hope || a.l.ticks - b.l.ticks).slice(0, width).map((x) => x.l)
}

/** What a way through all stages is worth, rims and pairs looked at; minus infinity where they forbid it. */
function worthOf(c: PlanCase, start: SolveFrom, path: readonly Way[]): number {
  let loads: readonly number[] | undefined = REGION_IDS.map((r) => start.loads[r])
  let effects: readonly number[] = c.aims.map(() => 0)
  let taste = 0
  let { marks } = start
  for (const { option, move } of path) {
    if (!option || !move) continue
    loads = addLoads(loads, move.loads, c)
    if (!loads || breaksPair(c.pairs, marks, option.marks)) return Number.NEGATIVE_INFINITY
    effects = plus(effects, option.effects)
    taste += option.taste
    marks |= option.marks
  }
  return worth(c, effects, taste)
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

/** The most that a label can still come to, by the least of the easier questions; the first one found under `enough` will do. */
function furthest({ bounds, net, works }: Search, stage: number, at: number, ticks: number, exfoliations: number, effects: readonly number[], taste: number, enough: number): number {
  let least = Number.POSITIVE_INFINITY
  for (const b of bounds) {
    const v = b.bound(stage + 1, at, net.slot - ticks, works - exfoliations, effects, taste)
    if (v < least) least = v
    if (least < enough) return least
  }
  return least
}

/** Whether even the easier questions stay below the best plan known, or nothing fits any more. */
function hopeless(search: Search, stage: number, at: number, ticks: number, exfoliations: number, effects: readonly number[], taste: number): boolean {
  const most = furthest(search, stage, at, ticks, exfoliations, effects, taste, search.incumbent)
  return most === Number.NEGATIVE_INFINITY || most < search.incumbent
}

function offer(next: Map<number, Label[]>, label: Label, { c, still }: Search, stage: number): void {
  const list = next.get(label.at)
  if (!list) { next.set(label.at, [label]); return }
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
  if (a.ticks > b.ticks || a.exfoliations > b.exfoliations || (a.marks & ~b.marks) !== 0) return false
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
  // What follows is the same for both, so a name that another begins with is compared with the mark after it.
  return `${a.ids}|` <= `${b.ids}|`
}

function worth(c: PlanCase, effects: readonly number[], taste: number): number {
  let v = taste
  for (let i = 0; i < effects.length; i++) v += (c.weights[i] ?? 0) * returns(effects[i] ?? 0)
  return v
}
const value = (c: PlanCase, l: Label) => worth(c, l.effects, l.taste)
function compare(c: PlanCase, a: Label, b: Label): number {
  return value(c, b) - value(c, a) || a.cost - b.cost || a.idle - b.idle || (a.ids < b.ids ? -1 : 1)
}

function toSolution(c: PlanCase, start: SolveFrom, label: Label, labels: number): Solution {
  const chain: Way[] = []
  for (let at: Label | undefined = label; at?.way; at = at.back) chain.push(at.way)
  chain.reverse()
  const loads = { ...start.loads }
  for (const w of chain) REGION_IDS.forEach((r, i) => { loads[r] += w.move?.loads[i] ?? 0 })
  return {
    moves: chain.flatMap((w) => (w.option && w.move ? placed(w.option, w.move) : [])), options: chain.flatMap((w) => (w.option ? [w.option.id] : [])), chosen: chain.map((w) => w.option?.id ?? ''),
    value: value(c, label), costCents: label.cost, idleTicks: label.idle, ticks: start.ticks + label.ticks, loads, labels,
  }
}
