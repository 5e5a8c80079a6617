import { REGION_IDS } from '../../face/zones'
import type { Layers } from './layers'
import type { PlanCase } from '../question/planCase'

/**
 * The most that the stages after one can still add: effect by aim, and load by region with warmth
 * and connecting washes counted in; and which marks can still matter, and whether an exfoliation can there.
 */
export interface Remaining {
  effects: readonly number[]
  loads: readonly number[]
  marks: number
  /** Whether one of them may exfoliate. */
  exfoliations: boolean
}

export function remainingAfter(c: PlanCase, { layers }: Layers): Remaining[] {
  const out: Remaining[] = []
  let effects: number[] = c.aims.map(() => 0)
  let loads: number[] = REGION_IDS.map(() => 0)
  let coming = 0
  let exfoliations = false
  for (let s = layers.length - 1; s >= 0; s--) {
    out[s] = {
      effects,
      loads,
      marks: c.pairs.reduce(
        (m, [a, b]) => m | ((coming & b) !== 0 ? a : 0) | ((coming & a) !== 0 ? b : 0),
        0,
      ),
      exfoliations,
    }
    const options = layers[s]?.options ?? []
    for (const o of options) {
      coming |= o.marks
      exfoliations ||= o.exfoliates
    }
    effects = effects.map((e, i) => options.reduce((m, o) => Math.max(m, o.effects[i] ?? 0), 0) + e)
    loads = loads.map((l, i) => l + (layers[s]?.most[i] ?? 0))
  }
  return out
}

export const NOTHING_REMAINS: Remaining = { effects: [], loads: [], marks: 0, exfoliations: false }
