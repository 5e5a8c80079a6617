import { RETURNS } from '../../catalogue/rules/value'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { type Option, type PlanCase, restsFull } from '../question/planCase'
import type { Layers, Way } from './layers'

/**
 * Effects are small whole numbers and are looked up many times over: worked out once for those that
 * occur.
 */
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
 * What each region may hold at most in any plan, hundredths, in the order of the regions: its
 * tolerance; where it already carries more than that, just what it carries, since nothing may be
 * added there and nothing is taken away. No plan goes over it, so a price on the room under it is
 * never a penalty.
 * @param loads what the regions carry at the start
 */
export const ceilingsOf = (
  planCase: Pick<PlanCase, 'tolerance'>,
  loads: Readonly<Record<RegionId, number>>,
): number[] => REGION_IDS.map((region) => Math.max(planCase.tolerance[region], loads[region]))

/**
 * The most that the stages after one can still add: effect by aim, and load by region with warmth
 * and connecting washes counted in; and which marks and exfoliations can still matter there.
 */
export interface Remaining {
  effects: readonly number[]
  loads: readonly number[]
  marks: number
  /** Whether it still matters how often something was taken off. */
  exfoliations: boolean
}

/** By stage: the most that may still come of effects and loads after it, whatever is chosen. */
export function remainingAfter(planCase: PlanCase, { layers }: Layers): Remaining[] {
  const out: Remaining[] = []
  let effects: number[] = planCase.aims.map(() => 0)
  let loads: number[] = REGION_IDS.map(() => 0)
  let coming = 0
  let exfoliations = false
  for (let stage = layers.length - 1; stage >= 0; stage--) {
    out[stage] = {
      effects,
      loads,
      marks: planCase.pairs.reduce(
        (sum, [pair, value]) =>
          sum | ((coming & value) !== 0 ? pair : 0) | ((coming & pair) !== 0 ? value : 0),
        0,
      ),
      exfoliations,
    }
    const options = layers[stage]?.options ?? []
    for (const option of options) {
      coming |= option.marks
      exfoliations ||= option.exfoliates || restsFull(option)
    }
    effects = effects.map(
      (effect, i) =>
        options.reduce((sum, option) => Math.max(sum, option.effects[i] ?? 0), 0) + effect,
    )
    loads = loads.map((load, i) => load + (layers[stage]?.most[i] ?? 0))
  }
  return out
}

export const NOTHING_REMAINS: Remaining = { effects: [], loads: [], marks: 0, exfoliations: false }

/**
 * The tangent of each segment of the return on an effect; it may be asked at an effect outside its
 * segment.
 */
const TANGENTS = RETURNS.map((step, i) => {
  const from = RETURNS[i - 1]?.upTo ?? 0
  return { from, base: returns(from), slope: step.slope }
})
function segmentOf(effect: number): number {
  for (let i = 0; i < RETURNS.length; i++) if (effect < (RETURNS[i]?.upTo ?? 0)) return i
  return RETURNS.length - 1
}

/**
 * The question with one tangent an aim in place of its return, and with a price on the load of a
 * region in place of its tolerance (mostly none: then the tolerances are left aside).
 * What it still needs is the skin, the minutes and the number of exfoliations. A return is concave,
 * so it lies under each of its tangents, and what is under the ceiling has its price back, which is
 * never below zero because no plan goes over a ceiling: its best bounds what any plan can still
 * add. Solved backwards, exactly; prices are whole sixty-fourths, so that sums are exact too.
 */
export class Relaxed {
  private readonly tables: readonly Float64Array[]
  private readonly width: number
  private readonly depth: readonly number[]
  private readonly price: readonly number[]
  /** What the tangents come to where nothing has any effect yet. */
  private readonly base: number
  private readonly gains = new Map<Option, number>()
  /** Regions whose load has a price. */
  private readonly priced: readonly number[]
  constructor(
    planCase: PlanCase,
    private readonly net: Layers,
    readonly segments: readonly number[],
    private readonly exfoliationLimit: number,
    readonly loadPrices: readonly number[] = [],
    private readonly ceilings: readonly number[] = [],
  ) {
    this.priced = loadPrices.flatMap((loadPrice, i) => (loadPrice > 0 ? [i] : []))
    this.width = net.slot + 1
    this.price = segments.map(
      (stage, i) => (planCase.weights[i] ?? 0) * (TANGENTS[stage]?.slope ?? 1),
    )
    this.base = segments.reduce(
      (sum, stage, i) =>
        sum +
        (planCase.weights[i] ?? 0) *
          (TANGENTS[stage]
            ? TANGENTS[stage].base - TANGENTS[stage].from * TANGENTS[stage].slope
            : 0),
      0,
    )
    for (const stage of planCase.stages)
      for (const option of stage.options) {
        let effect = 0
        for (let i = 0; i < this.price.length; i++)
          effect += (this.price[i] ?? 0) * (option.effects[i] ?? 0)
        this.gains.set(option, effect)
      }
    const tables: Float64Array[] = []
    // Works are counted only as long as a stage to come may spend one.
    this.depth = [
      ...net.layers.map((_, stage) =>
        net.layers
          .slice(stage)
          .some((layer) => layer.options.some((own) => own.exfoliates || restsFull(own)))
          ? exfoliationLimit
          : 0,
      ),
      0,
    ]
    tables[net.layers.length] = new Float64Array(net.ends * this.width)
    for (let stage = net.layers.length - 1; stage >= 0; stage--)
      tables[stage] = this.back(stage, tables[stage + 1] ?? new Float64Array(0))
    this.tables = tables
  }

  private back(stage: number, later: Float64Array): Float64Array {
    const { width } = this
    const layer = this.net.layers[stage]
    const exfoliationLimit = this.depth[stage] ?? 0
    const then = this.depth[stage + 1] ?? 0
    const here = new Float64Array((layer?.states ?? 0) * (exfoliationLimit + 1) * width).fill(
      Number.NEGATIVE_INFINITY,
    )
    for (const bundle of layer?.bundles ?? []) {
      let best = Number.NEGATIVE_INFINITY
      for (const oneWay of bundle) {
        const gain = this.gainOf(oneWay)
        // One that takes longer and gives no more can never be wanted.
        if (gain <= best) continue
        best = gain
        const spends = oneWay.option?.exfoliates ? 1 : 0
        const { least, most } = this.ticksAt(layer, oneWay)
        for (let left = this.leastLeft(oneWay); left <= exfoliationLimit; left++) {
          const to = (oneWay.from * (exfoliationLimit + 1) + left) * width
          const from =
            (oneWay.to * (then + 1) + Math.min(then, left - spends)) * width - oneWay.ticks
          for (let ticks = least; ticks < most; ticks++) {
            const value = gain + (later[from + ticks] as number)
            if (value > (here[to + ticks] as number)) here[to + ticks] = value
          }
        }
      }
    }
    return here
  }
  /** Only as many ticks can be left as there are after the quickest and the slowest way here. */
  private ticksAt(
    layer: Layers['layers'][number] | undefined,
    { from, ticks }: Way,
  ): { least: number; most: number } {
    const { width } = this
    return {
      most: width - (layer?.soonest[from] ?? 0),
      least: Math.max(ticks, width - 1 - (layer?.longest[from] ?? 0)),
    }
  }
  /** Exfoliations to be left before a way; a full dwell wants all of them. */
  private leastLeft({ option }: Way): number {
    return option && restsFull(option) ? this.exfoliationLimit : option?.exfoliates ? 1 : 0
  }
  private gainOf(way: Way): number {
    if (!way.option) return 0
    let gain = way.taste + (this.gains.get(way.option) ?? 0)
    for (const i of this.priced) gain -= (this.loadPrices[i] as number) * (way.move?.loads[i] ?? 0)
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
    let value =
      this.base +
      had.taste +
      this.best(stage, state, exfoliationsLeft, ticksLeft) +
      (more ? this.gainOf(more) : 0)
    for (const i of this.priced)
      value +=
        (this.loadPrices[i] as number) * ((this.ceilings[i] as number) - (had.loads[i] as number))
    for (let i = 0; i < had.effects.length; i++)
      value += (this.price[i] ?? 0) * (had.effects[i] as number)
    return value
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
    for (let stage = 0; stage < this.net.layers.length; stage++) {
      const want = this.best(stage, state, left, ticks)
      if (want === Number.NEGATIVE_INFINITY) return undefined
      const way = this.net.layers[stage]?.ways[state]?.find(
        (way) =>
          left >= this.leastLeft(way) &&
          this.gainOf(way) +
            this.best(
              stage + 1,
              way.to,
              left - (way.option?.exfoliates ? 1 : 0),
              ticks - way.ticks,
            ) ===
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
const guess = (planCase: PlanCase): number[] =>
  planCase.aims.map((_, i) =>
    segmentOf(
      Math.round(
        planCase.stages.reduce(
          (sum, stage) =>
            sum + Math.max(0, ...stage.options.map((excess) => excess.effects[i] ?? 0)),
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
  planCase: PlanCase,
  net: Layers,
  exfoliationLimit: number,
): { bounds: readonly Relaxed[]; paths: readonly (readonly Way[])[] } {
  const bounds: Relaxed[] = []
  const paths: Way[][] = []
  let segments = guess(planCase)
  while (
    bounds.length < MOST_TABLES &&
    !bounds.some((bound) => bound.segments.join() === segments.join())
  ) {
    const relaxed = new Relaxed(planCase, net, segments, exfoliationLimit)
    bounds.unshift(relaxed)
    const path = relaxed.path(exfoliationLimit)
    if (!path) break
    paths.unshift(path)
    segments = planCase.aims.map((_, i) =>
      segmentOf(path.reduce((sum, way) => sum + (way.option?.effects[i] ?? 0), 0)),
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
 * @param ceilings what each region may hold at most
 * @param first what each region carries at the start
 * @param known value of the best plan known
 */
export function priced(
  planCase: PlanCase,
  net: Layers,
  exfoliationLimit: number,
  easiest: Relaxed,
  ceilings: readonly number[],
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
    const over = ceilings.map((ceiling, i) =>
      path.reduce((sum, way) => sum + (way.move?.loads[i] ?? 0), (first.loads[i] ?? 0) - ceiling),
    )
    const moved = over.map((excess, i) => (excess > 0 || (prices[i] ?? 0) > 0 ? excess : 0))
    const square = moved.reduce((sum, excess) => sum + excess * excess, 0)
    const root = current.bound(0, 0, net.slot, exfoliationLimit, first)
    if (square === 0 || root <= known) break
    const gap = known === Number.NEGATIVE_INFINITY ? Math.abs(root) / 20 + 1 : root - known
    const step = gap / square
    prices = prices.map((price, i) => whole(price + step * (moved[i] ?? 0)))
    current = new Relaxed(
      planCase,
      net,
      planCase.aims.map((_, i) =>
        segmentOf(path.reduce((sum, way) => sum + (way.option?.effects[i] ?? 0), 0)),
      ),
      exfoliationLimit,
      prices,
      ceilings,
    )
    found.push({ r: current, root: current.bound(0, 0, net.slot, exfoliationLimit, first) })
  }
  return {
    bounds: found
      .sort((one, other) => one.root - other.root)
      .slice(0, KEPT)
      .map((face) => face.r),
    paths,
  }
}
