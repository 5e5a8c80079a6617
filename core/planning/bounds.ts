import { RETURNS } from '../catalogue/adaptations'
import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import { loadOn } from '../load/loads'
import type { Option, PlanCase } from './compile'
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

/**
 * The most that later stages can still add in the ticks left, surface and load aside. Returns are concave, so nothing adds more than today's
 * slope promises; one table for each combination of slopes that is met, worked out when first asked for.
 */
export class GainToGo {
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
