import { RETURNS } from '../catalogue/adaptations'
import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import { loadOn } from '../load/loads'
import { applyTechnique, startSurface, type Surface } from '../surface/surface'
import { connect } from './mend'
import type { Move, Option, PlanCase } from './compile'

/** A move as it stands in the solved plan; `mend` marks a connecting step. */
export interface PlacedMove extends Move { mend?: true, option: string }

export interface Solution {
  moves: readonly PlacedMove[]
  options: readonly string[]
  value: number
  costCents: number
  idleTicks: number
  ticks: number
  loads: Readonly<Record<RegionId, number>>
  labels: number
}

/** Where solving starts: the whole visit, or what is left of one already begun. */
export interface SolveFrom { surface: Surface, stage: number, ticks: number, loads: Readonly<Record<RegionId, number>>, exfoliations: number }

interface Transition { moves: readonly PlacedMove[], surface: number, ticks: number, loads: readonly number[] }
interface Label {
  surface: number, ticks: number, loads: readonly number[], effects: readonly number[], taste: number, cost: number, idle: number, exfoliations: number
  option: Option | undefined, transition: Transition | undefined, back: Label | undefined
}

/** Effects are small whole numbers and are looked up many times over: worked out once for those that occur. */
const TABLE: readonly number[] = Array.from({ length: 2048 }, (_, effect) => worked(effect))
/** Piecewise linear with slopes 4, 2, 1: more always counts a little. */
export function returns(effect: number): number {
  return TABLE[effect] ?? worked(effect)
}
function worked(effect: number): number {
  let out = 0
  let from = 0
  for (let i = 0; i < RETURNS.length; i++) {
    const segment = RETURNS[i]
    if (!segment || effect <= from) break
    out += (Math.min(effect, segment.upTo) - from) * segment.slope
    from = segment.upTo
  }
  return out
}

/**
 * The plan of greatest value that fits the ticks, the rims and the surface: label setting over stages, exact.
 * A label gives way to one on the same surface that dominates it, and to the best plan known when even the most that later stages can add (`GainToGo`) does not reach it.
 * Ties: least cost, then fewest idle ticks, then smallest option ids.
 * @returns undefined when the floor itself does not fit.
 */
export function solve(c: PlanCase, slotTicks: number, from?: SolveFrom): Solution | undefined {
  const table = new Transitions(c)
  const start = from ?? { surface: startSurface(c.madeUp), stage: 0, ticks: 0, loads: c.residual, exfoliations: 0 }
  const stages = c.stages.slice(start.stage)
  const first: Label = {
    surface: table.intern(start.surface), ticks: start.ticks, loads: REGION_IDS.map((r) => start.loads[r]), effects: c.aims.map(() => 0), taste: 0, cost: 0, idle: 0,
    exfoliations: start.exfoliations, option: undefined, transition: undefined, back: undefined,
  }
  const toGo = new GainToGo(c, stages, slotTicks)
  const still = stillToCome(c, stages)
  const rough = run({ c, stages, table, slotTicks, toGo, still, incumbent: Number.NEGATIVE_INFINITY, width: 60 }, first)
  const best = run({ c, stages, table, slotTicks, toGo, still, incumbent: rough.best ? value(c, rough.best) : Number.NEGATIVE_INFINITY, width: Number.POSITIVE_INFINITY }, first)
  return best.best && toSolution(c, start.loads, best.best, best.count)
}

interface Search { c: PlanCase, stages: PlanCase['stages'], table: Transitions, slotTicks: number, toGo: GainToGo, still: readonly Still[], incumbent: number, width: number }

function run(search: Search, first: Label): { best: Label | undefined, count: number } {
  const { c, stages, table, slotTicks, width, still } = search
  let labels: Label[] = [first]
  let count = 1
  for (let s = 0; s < stages.length; s++) {
    const stage = stages[s]
    if (!stage) break
    const next = new Map<number, Label[]>()
    for (const label of labels) {
      if ((!stage.must || stage.options.length === 0) && !hopeless(search, s, label.ticks, label.effects, label.taste)) offer(next, { ...label, option: undefined, transition: undefined, back: label }, search, s)
      for (const option of stage.options) {
        if (option.exfoliates && label.exfoliations >= c.maxExfoliations) continue
        const move = table.after(label.surface, option)
        if (!move) continue
        const ticks = label.ticks + move.ticks
        if (ticks > slotTicks) continue
        const effects = plus(label.effects, option.effects)
        const taste = label.taste + option.taste
        if (hopeless(search, s, ticks, effects, taste)) continue
        const added = addLoads(label.loads, move.loads, c)
        if (!added) continue
        const loads = forget(added, c, still[s])
        offer(next, {
          surface: move.surface, ticks, loads, effects, taste, cost: label.cost + option.costCents,
          idle: label.idle + option.idleTicks, exfoliations: label.exfoliations + (option.exfoliates ? 1 : 0), option, transition: move, back: label,
        }, search, s)
      }
    }
    labels = [...next.values()].flat()
    if (labels.length > width) labels = labels.sort((a, b) => value(c, b) - value(c, a) || a.ticks - b.ticks).slice(0, width)
    count += labels.length
  }
  let best: Label | undefined
  for (const l of labels) if (!best || compare(c, l, best) < 0) best = l
  return { best, count }
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
  const most = toGo.after(stage, slotTicks - ticks, effects)
  return most === Number.NEGATIVE_INFINITY || worth(c, effects, taste) + most < incumbent
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

/** The most that the stages after one can still add: effect by aim, and load by region with warmth and connecting washes counted in. */
interface Still { effects: readonly number[], loads: readonly number[] }

function stillToCome(c: PlanCase, stages: PlanCase['stages']): Still[] {
  const out: Still[] = []
  let effects: number[] = c.aims.map(() => 0)
  let loads: number[] = REGION_IDS.map(() => 0)
  for (let s = stages.length - 1; s >= 0; s--) {
    out[s] = { effects, loads }
    const options = stages[s]?.options ?? []
    effects = effects.map((e, i) => e + Math.max(0, ...options.map((o) => o.effects[i] ?? 0)))
    loads = loads.map((l, i) => l + Math.max(0, ...options.map((o) => mostLoad(o, REGION_IDS[i] ?? 'forehead'))))
  }
  return out
}

function mostLoad(o: Option, r: RegionId): number {
  return o.moves.reduce((sum, m) => {
    const wash = loadOn(r, TECHNIQUES.secondCleanse, { handsMinutes: 6, dwellMinutes: 0, passes: 0 }, HEATED)
    return sum + wash + (m.regions.includes(r) ? loadOn(r, TECHNIQUES[m.technique], { handsMinutes: m.minutes, dwellMinutes: m.dwell ?? 0, passes: m.passes ?? 0 }, HEATED) : 0)
  }, 0)
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
    moves: chain.flatMap((l) => l.transition?.moves ?? []), options: chain.flatMap((l) => (l.option ? [l.option.id] : [])), value: value(c, label), costCents: label.cost, idleTicks: label.idle,
    ticks: label.ticks, loads: totalLoads(before, chain), labels,
  }
}

const NOTHING_STILL: Still = { effects: [], loads: [] }
function slopeIndex(effect: number): number {
  for (let i = 0; i < RETURNS.length; i++) if (effect < (RETURNS[i]?.upTo ?? 0)) return i
  return RETURNS.length - 1
}

/**
 * The most that later stages can still add in the ticks left, surface and load aside. Returns are concave, so nothing adds more than today's
 * slope promises; one table for each combination of slopes that is met, worked out when first asked for.
 */
class GainToGo {
  private readonly tables: (readonly Float64Array[] | undefined)[] = []
  constructor(private readonly c: PlanCase, private readonly stages: PlanCase['stages'], private readonly slotTicks: number) {}

  after(stage: number, ticksLeft: number, effects: readonly number[]): number {
    let key = 0
    for (let i = 0; i < effects.length; i++) key = key * RETURNS.length + slopeIndex(effects[i] ?? 0)
    let table = this.tables[key]
    if (!table) { table = this.build(effects.map((e) => RETURNS[slopeIndex(e)]?.slope ?? 1)); this.tables[key] = table }
    return table[stage + 1]?.[ticksLeft] ?? Number.NEGATIVE_INFINITY
  }

  private build(slopes: readonly number[]): Float64Array[] {
    const out: Float64Array[] = []
    let later = new Float64Array(this.slotTicks + 1)
    out[this.stages.length] = later
    for (let s = this.stages.length - 1; s >= 0; s--) {
      const stage = this.stages[s]
      const here = new Float64Array(this.slotTicks + 1)
      if (stage?.must === true && stage.options.length > 0) here.fill(Number.NEGATIVE_INFINITY)
      else here.set(later)
      for (const o of stage?.options ?? []) {
        const ticks = o.moves.reduce((t, m) => t + m.minutes * 2, 0)
        const gain = o.effects.reduce((v, e, i) => v + (this.c.weights[i] ?? 0) * (slopes[i] ?? 1) * e, o.taste)
        for (let t = ticks; t <= this.slotTicks; t++) here[t] = Math.max(here[t] ?? 0, gain + (later[t - ticks] ?? 0))
      }
      out[s] = here
      later = here
    }
    return out
  }
}

function totalLoads(before: SolveFrom['loads'], chain: readonly Label[]): Record<RegionId, number> {
  const out = { ...before }
  for (const l of chain) REGION_IDS.forEach((r, i) => { out[r] += l.transition?.loads[i] ?? 0 })
  return out
}

/** Surfaces are numbered as they are met, and what an option does to one is worked out once. */
class Transitions {
  private readonly surfaces: Surface[] = []
  private readonly numbers = new Map<string, number>()
  private readonly known = new Map<Option, (Transition | null | undefined)[]>()
  constructor(private readonly c: PlanCase) {}

  intern(surface: Surface): number {
    const key = REGION_IDS.map((r) => { const s = surface[r]; return [s.soil, s.moisture, s.film, s.warmth, s.skin, s.layer, s.settling, s.dampAge, s.warmAge].join('.') }).join('/')
    const found = this.numbers.get(key)
    if (found !== undefined) return found
    this.surfaces.push(surface)
    this.numbers.set(key, this.surfaces.length - 1)
    return this.surfaces.length - 1
  }

  after(surface: number, option: Option): Transition | undefined {
    let row = this.known.get(option)
    if (!row) { row = []; this.known.set(option, row) }
    const found = row[surface]
    if (found !== undefined) return found ?? undefined
    const reached = this.work(this.surfaces[surface], option)
    row[surface] = reached ?? null
    return reached
  }

  private work(start: Surface | undefined, option: Option): Transition | undefined {
    if (!start) return undefined
    let surface = start
    const placed: PlacedMove[] = []
    const loads = REGION_IDS.map(() => 0)
    let ticks = 0
    const add = (m: PlacedMove) => {
      const t = TECHNIQUES[m.technique]
      REGION_IDS.forEach((r, i) => {
        if (!m.regions.includes(r)) return
        loads[i] = (loads[i] ?? 0) + loadOn(r, t, { handsMinutes: m.minutes, dwellMinutes: m.dwell ?? 0, passes: m.passes ?? 0 }, surface[r].warmth === 'warm' ? HEATED : 100)
      })
      surface = applyTechnique(surface, t, m.regions, m.minutes * 2)
      ticks += m.minutes * 2
      placed.push(m)
    }
    for (const move of option.moves) {
      const chain = connect(surface, TECHNIQUES[move.technique], move.regions)
      if (!chain) return undefined
      for (const s of chain.steps) add({ ...s, mend: true, option: option.id })
      add({ ...move, option: option.id })
    }
    return { moves: placed, surface: this.intern(surface), ticks, loads }
  }
}

/** What warmth still in the skin does to the load of what follows, per cent. */
const HEATED = TECHNIQUES.steam.heatFactor ?? 100
