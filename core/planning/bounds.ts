import { RETURNS } from '../catalogue/adaptations'
import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import { loadOn } from '../load/loads'
import type { Option, PlanCase } from './compile'
import { returns } from './returns'
import { HEATED } from './transitions'

/** The most that the stages after one can still add: effect by aim, and load by region with warmth and connecting washes counted in. */
export interface Still { effects: readonly number[], loads: readonly number[] }

export function stillToCome(c: PlanCase, stages: PlanCase['stages']): Still[] {
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

export const NOTHING_STILL: Still = { effects: [], loads: [] }
function slopeIndex(effect: number): number {
  for (let i = 0; i < RETURNS.length; i++) if (effect < (RETURNS[i]?.upTo ?? 0)) return i
  return RETURNS.length - 1
}

/** The tangent of a segment, at an effect that need not lie in it. */
const TANGENTS = RETURNS.map((r, i) => { const from = RETURNS[i - 1]?.upTo ?? 0; return { from, base: returns(from), slope: r.slope } })
const onTangent = (segment: number, effect: number): number => { const t = TANGENTS[segment]; return t ? t.base + (effect - t.from) * t.slope : 0 }

/** Which tangents are tried, as steps flatter than today's by aim: all of them for few aims, the telling ones for many. */
function flatterTangents(aims: number): number[][] {
  if (aims <= 3) { let all: number[][] = [[]]; for (let i = 0; i < aims; i++) all = all.flatMap((x) => [0, 1, 2].map((k) => [...x, k])); return all }
  const some = (k: number, which: (i: number) => boolean) => Array.from({ length: aims }, (_, i) => (which(i) ? k : 0))
  return [some(0, () => true), some(1, () => true), some(2, () => true), ...Array.from({ length: aims }, (_, n) => some(1, (i) => i === n)), ...Array.from({ length: aims - 1 }, (_, n) => some(1, (i) => i <= n))]
}

/**
 * The most that later stages can still add in the ticks left, surface and load aside. Returns are concave, so nothing adds more than today's
 * slope promises; one table for each combination of slopes that is met, worked out when first asked for.
 */
export class GainToGo {
  private readonly tables: (readonly Float64Array[] | undefined)[] = []
  private readonly byTicks: readonly (readonly { ticks: number, options: readonly Option[] }[])[]
  private readonly soonest: readonly number[]
  private readonly steps: readonly (readonly number[])[]
  constructor(private readonly c: PlanCase, private readonly stages: PlanCase['stages'], private readonly slotTicks: number) {
    this.byTicks = stages.map((s) => {
      const groups = new Map<number, Option[]>()
      for (const o of s.options) { const ticks = o.moves.reduce((t, m) => t + m.minutes * 2, 0); groups.set(ticks, [...(groups.get(ticks) ?? []), o]) }
      return [...groups].map(([ticks, options]) => ({ ticks, options }))
    })
    this.steps = flatterTangents(c.aims.length)
    const soonest = [0]
    for (let s = stages.length - 1; s >= 0; s--) soonest.unshift((soonest[0] ?? 0) + (this.mustAt(s) ? Math.min(...(this.byTicks[s] ?? []).map((g) => g.ticks)) : 0))
    this.soonest = soonest
  }

  /** Whether the musts after a stage still fit, connecting steps aside. */
  fits(stage: number, ticksLeft: number): boolean { return (this.soonest[stage + 1] ?? 0) <= ticksLeft }

  /**
   * Whether nothing that may follow lifts a label to `goal`. A return is concave, so it lies under each of its tangents: any choice of one tangent an aim
   * gives a bound, and the least of them counts. The one at today's effects comes first; flatter ones are tried where it does not decide.
   */
  below(stage: number, ticksLeft: number, effects: readonly number[], worth: number, goal: number): boolean {
    return this.least(stage, ticksLeft, effects, goal - worth) + worth < goal
  }

  /** The least bound on what may still follow, or the first one found under `enough`. */
  least(stage: number, ticksLeft: number, effects: readonly number[], enough = Number.NEGATIVE_INFINITY): number {
    let least = Number.POSITIVE_INFINITY
    for (const flatter of this.steps) {
      let key = 0
      let lift = 0
      for (let i = 0; i < effects.length; i++) {
        const e = effects[i] ?? 0
        const own = slopeIndex(e)
        const t = Math.min(RETURNS.length - 1, own + (flatter[i] ?? 0))
        key = key * RETURNS.length + t
        if (t !== own) lift += (this.c.weights[i] ?? 0) * (onTangent(t, e) - returns(e))
      }
      let table = this.tables[key]
      if (!table) { table = this.build(key, effects.length); this.tables[key] = table }
      const bound = lift + (table[stage + 1]?.[ticksLeft] ?? Number.NEGATIVE_INFINITY)
      if (bound < least) least = bound
      if (least < enough) return least
    }
    return least
  }

  private mustAt(s: number): boolean { const stage = this.stages[s]; return stage?.must === true && stage.options.length > 0 }

  private build(key: number, aims: number): Float64Array[] {
    const slopes = Array.from({ length: aims }, (_, i) => RETURNS[Math.floor(key / RETURNS.length ** (aims - 1 - i)) % RETURNS.length]?.slope ?? 1)
    const out: Float64Array[] = []
    let later = new Float64Array(this.slotTicks + 1)
    out[this.stages.length] = later
    const price = slopes.map((slope, i) => (this.c.weights[i] ?? 0) * slope)
    for (let s = this.stages.length - 1; s >= 0; s--) {
      const here = new Float64Array(this.slotTicks + 1)
      if (this.mustAt(s)) here.fill(Number.NEGATIVE_INFINITY)
      else here.set(later)
      // Of options that take as long as each other only the one that adds most can matter to a bound.
      for (const { ticks, options } of this.byTicks[s] ?? []) {
        let gain = Number.NEGATIVE_INFINITY
        for (const o of options) { let g = o.taste; for (let i = 0; i < price.length; i++) g += (price[i] ?? 0) * (o.effects[i] ?? 0); if (g > gain) gain = g }
        for (let t = ticks; t <= this.slotTicks; t++) { const v = gain + (later[t - ticks] ?? 0); if (v > (here[t] ?? 0)) here[t] = v }
      }
      out[s] = here
      later = here
    }
    return out
  }
}
