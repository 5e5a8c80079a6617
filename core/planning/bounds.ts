import { TECHNIQUES } from '../catalogue/techniques'
import { REGION_IDS, type RegionId } from '../face/zones'
import { loadOn } from '../load/loads'
import type { Option, PlanCase } from './planCase'
import { HEATED, workOf } from './transitions'

/** The most that the stages after one can still add: effect by aim, and load by region with warmth and connecting washes counted in; and which marks and works can still matter there. */
export interface Still { effects: readonly number[], loads: readonly number[], marks: number, works: boolean }

export function stillToCome(c: PlanCase, stages: PlanCase['stages']): Still[] {
  const out: Still[] = []
  let effects: number[] = c.aims.map(() => 0)
  let loads: number[] = REGION_IDS.map(() => 0)
  let coming = 0
  let works = false
  for (let s = stages.length - 1; s >= 0; s--) {
    out[s] = { effects, loads, marks: c.pairs.reduce((m, [a, b]) => m | ((coming & b) !== 0 ? a : 0) | ((coming & a) !== 0 ? b : 0), 0), works }
    const options = stages[s]?.options ?? []
    for (const o of options) { coming |= o.marks; works ||= o.exfoliates }
    effects = effects.map((e, i) => e + Math.max(0, ...options.map((o) => o.effects[i] ?? 0)))
    loads = loads.map((l, i) => l + Math.max(0, ...options.map((o) => mostLoad(o, REGION_IDS[i] ?? 'forehead'))))
  }
  return out
}

function mostLoad(o: Option, r: RegionId): number {
  return o.moves.reduce((sum, m) => {
    const wash = loadOn(r, TECHNIQUES.secondCleanse, { handsMinutes: 6, dwellMinutes: 0, passes: 0 }, HEATED)
    return sum + wash + (m.regions.includes(r) ? loadOn(r, TECHNIQUES[m.technique], workOf(m), HEATED) : 0)
  }, 0)
}

export const NOTHING_STILL: Still = { effects: [], loads: [], marks: 0, works: false }
