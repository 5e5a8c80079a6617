import { REGION_IDS } from '../../face/zones'
import type { Layers } from './layers'
import { restsFull, type PlanCase } from '../question/planCase'

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
