import { RETURNS } from '../../catalogue/rules/value'
import { REGION_IDS } from '../../face/zones'
import type { Layers, Way } from './layers'
import type { Option, PlanCase } from '../question/planCase'
import { returns } from './returns'

/**
 * The tangent of each segment of the return on an effect; it may be asked at an effect outside its
 * segment.
 */
const TANGENTS = RETURNS.map((r, i) => {
  const from = RETURNS[i - 1]?.upTo ?? 0
  return { from, base: returns(from), slope: r.slope }
})
export function segmentOf(effect: number): number {
  for (let i = 0; i < RETURNS.length; i++) if (effect < (RETURNS[i]?.upTo ?? 0)) return i
  return RETURNS.length - 1
}

/**
 * The question with one tangent an aim in place of its return, and with a price on the load of a
 * region in place of its tolerance (mostly none: then the tolerances are left aside).
 * What it still needs is the skin, the minutes and the number of exfoliations. A return is concave, so it
 * lies under each of its tangents, and what is under the tolerance has its price back:
 * the best that this easier question still offers bounds what any plan can still add. Solved
 * backwards, exactly; prices are whole sixty-fourths, so that sums are exact too.
 */
export class Relaxed {
  private readonly tables: readonly Float64Array[]
  private readonly width: number
  private readonly depth: readonly number[]
  private readonly price: readonly number[]
  /** What the tangents come to where nothing has any effect yet. */
  private readonly base: number
  private readonly gains = new Map<Option, number>()
  private readonly tolerances: readonly number[]
  /** Regions whose load has a price. */
  private readonly priced: readonly number[]
  constructor(
    c: PlanCase,
    private readonly net: Layers,
    readonly segments: readonly number[],
    exfoliationLimit: number,
    readonly loadPrices: readonly number[] = [],
  ) {
    this.priced = loadPrices.flatMap((p, i) => (p > 0 ? [i] : []))
    this.tolerances = this.priced.length > 0 ? REGION_IDS.map((r) => c.tolerance[r]) : []
    this.width = net.slot + 1
    this.price = segments.map((s, i) => (c.weights[i] ?? 0) * (TANGENTS[s]?.slope ?? 1))
    this.base = segments.reduce(
      (sum, s, i) =>
        sum +
        (c.weights[i] ?? 0) *
          (TANGENTS[s] ? TANGENTS[s].base - TANGENTS[s].from * TANGENTS[s].slope : 0),
      0,
    )
    for (const stage of c.stages)
      for (const o of stage.options) {
        let g = o.taste
        for (let i = 0; i < this.price.length; i++) g += (this.price[i] ?? 0) * (o.effects[i] ?? 0)
        this.gains.set(o, g)
      }
    const tables: Float64Array[] = []
    // Works are counted only as long as a stage to come may spend one.
    this.depth = [
      ...net.layers.map((_, s) =>
        net.layers.slice(s).some((l) => l.ways.some((own) => own.some((w) => w.option?.exfoliates)))
          ? exfoliationLimit
          : 0,
      ),
      0,
    ]
    tables[net.layers.length] = new Float64Array(net.ends * this.width)
    for (let s = net.layers.length - 1; s >= 0; s--)
      tables[s] = this.back(s, tables[s + 1] ?? new Float64Array(0))
    this.tables = tables
  }

  private back(s: number, later: Float64Array): Float64Array {
    const { width } = this
    const layer = this.net.layers[s]
    const exfoliationLimit = this.depth[s] ?? 0
    const then = this.depth[s + 1] ?? 0
    const here = new Float64Array((layer?.states ?? 0) * (exfoliationLimit + 1) * width).fill(
      Number.NEGATIVE_INFINITY,
    )
    for (const bundle of layer?.bundles ?? []) {
      let best = Number.NEGATIVE_INFINITY
      for (const w of bundle) {
        const gain = this.gainOf(w)
        // One that takes longer and gives no more can never be wanted.
        if (gain <= best) continue
        best = gain
        const spends = w.option?.exfoliates ? 1 : 0
        // Only as many ticks can be left as there are after the quickest and the slowest way here.
        const most = width - (layer?.soonest[w.from] ?? 0)
        const least = Math.max(w.ticks, width - 1 - (layer?.longest[w.from] ?? 0))
        for (let left = spends; left <= exfoliationLimit; left++) {
          const to = (w.from * (exfoliationLimit + 1) + left) * width
          const from = (w.to * (then + 1) + Math.min(then, left - spends)) * width - w.ticks
          for (let t = least; t < most; t++) {
            const v = gain + (later[from + t] as number)
            if (v > (here[to + t] as number)) here[to + t] = v
          }
        }
      }
    }
    return here
  }
  private gainOf(w: Way): number {
    if (!w.option) return 0
    let gain = this.gains.get(w.option) ?? 0
    for (const i of this.priced) gain -= (this.loadPrices[i] as number) * (w.move?.loads[i] ?? 0)
    return gain
  }

  /**
   * The most that a plan can come to in all, from a state at the start of a stage with this much
   * had, one more way with it, these ticks and exfoliationLimit left; minus infinity where none fits.
   */
  bound(
    stage: number,
    state: number,
    ticksLeft: number,
    exfoliationsLeft: number,
    had: { effects: readonly number[]; taste: number; loads: readonly number[] },
    more?: Way,
  ): number {
    let v =
      this.base +
      had.taste +
      this.best(stage, state, exfoliationsLeft, ticksLeft) +
      (more ? this.gainOf(more) : 0)
    for (const i of this.priced)
      v +=
        (this.loadPrices[i] as number) * ((this.tolerances[i] as number) - (had.loads[i] as number))
    for (let i = 0; i < had.effects.length; i++)
      v += (this.price[i] ?? 0) * (had.effects[i] as number)
    return v
  }

  private best(stage: number, state: number, exfoliationsLeft: number, ticksLeft: number): number {
    const exfoliationLimit = this.depth[stage] ?? 0
    return ticksLeft < 0 || exfoliationsLeft < 0
      ? Number.NEGATIVE_INFINITY
      : (this.tables[stage]?.[
          (state * (exfoliationLimit + 1) + Math.min(exfoliationLimit, exfoliationsLeft)) *
            this.width +
            ticksLeft
        ] ?? Number.NEGATIVE_INFINITY)
  }

  /** The ways of its best plan, tolerances aside; undefined where nothing fits. */
  path(exfoliationLimit: number): Way[] | undefined {
    let state = 0
    let ticks = this.net.slot
    let left = exfoliationLimit
    const out: Way[] = []
    for (let s = 0; s < this.net.layers.length; s++) {
      const want = this.best(s, state, left, ticks)
      if (want === Number.NEGATIVE_INFINITY) return undefined
      const way = this.net.layers[s]?.ways[state]?.find(
        (w) =>
          this.gainOf(w) +
            this.best(s + 1, w.to, left - (w.option?.exfoliates ? 1 : 0), ticks - w.ticks) ===
          want,
      )
      if (!way) return undefined
      out.push(way)
      state = way.to
      ticks -= way.ticks
      left -= way.option?.exfoliates ? 1 : 0
    }
    return out
  }
}

/** Tangents are looked for where the easier question's own best plan ends, until that settles. */
const MOST_TABLES = 3

/** Where a plan is likely to end: at about half of what all stages could add. */
const guess = (c: PlanCase): number[] =>
  c.aims.map((_, i) =>
    segmentOf(
      Math.round(
        c.stages.reduce(
          (sum, s) => sum + Math.max(0, ...s.options.map((o) => o.effects[i] ?? 0)),
          0,
        ) * 0.55,
      ),
    ),
  )

/**
 * A few easier questions whose tangents lie where the best plan is likely to end; the last comes
 * first.
 */
export function relaxations(
  c: PlanCase,
  net: Layers,
  exfoliationLimit: number,
): { bounds: readonly Relaxed[]; paths: readonly (readonly Way[])[] } {
  const bounds: Relaxed[] = []
  const paths: Way[][] = []
  let segments = guess(c)
  while (
    bounds.length < MOST_TABLES &&
    !bounds.some((b) => b.segments.join() === segments.join())
  ) {
    const r = new Relaxed(c, net, segments, exfoliationLimit)
    bounds.unshift(r)
    const path = r.path(exfoliationLimit)
    if (!path) break
    paths.unshift(path)
    segments = c.aims.map((_, i) =>
      segmentOf(path.reduce((e, w) => e + (w.option?.effects[i] ?? 0), 0)),
    )
  }
  return { bounds, paths }
}

/** Rounds of pricing, and how many of its questions are kept. */
const MOST_ROUNDS = 6
const KEPT = 3
const whole = (price: number): number => Math.max(0, Math.round(price * 64) / 64)

/**
 * The easier question again with a price on the loads that its best plan takes over a tolerance, raised
 * where it still does and lowered where there is room left (subgradient steps).
 * For where the load decides: there, leaving the tolerances aside promises far more than any skin can
 * bear.
 * @param first what each region carries at the start
 * @param known value of the best plan known
 */
export function priced(
  c: PlanCase,
  net: Layers,
  exfoliationLimit: number,
  easiest: Relaxed,
  first: { effects: readonly number[]; taste: number; loads: readonly number[] },
  known: number,
): { bounds: readonly Relaxed[]; paths: readonly (readonly Way[])[] } {
  const found: { r: Relaxed; root: number }[] = []
  const paths: Way[][] = []
  let current = easiest
  let prices = REGION_IDS.map(() => 0)
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const path = current.path(exfoliationLimit)
    if (!path) break
    paths.push(path)
    const over = REGION_IDS.map((r, i) =>
      path.reduce(
        (sum, w) => sum + (w.move?.loads[i] ?? 0),
        (first.loads[i] ?? 0) - c.tolerance[r],
      ),
    )
    const moved = over.map((o, i) => (o > 0 || (prices[i] ?? 0) > 0 ? o : 0))
    const square = moved.reduce((sum, o) => sum + o * o, 0)
    const root = current.bound(0, 0, net.slot, exfoliationLimit, first)
    if (square === 0 || root <= known) break
    const step = (root - (known === Number.NEGATIVE_INFINITY ? root * 0.95 : known)) / square
    prices = prices.map((p, i) => whole(p + step * (moved[i] ?? 0)))
    current = new Relaxed(
      c,
      net,
      c.aims.map((_, i) => segmentOf(path.reduce((e, w) => e + (w.option?.effects[i] ?? 0), 0))),
      exfoliationLimit,
      prices,
    )
    found.push({ r: current, root: current.bound(0, 0, net.slot, exfoliationLimit, first) })
  }
  return {
    bounds: found
      .sort((a, b) => a.root - b.root)
      .slice(0, KEPT)
      .map((f) => f.r),
    paths,
  }
}
