import { RETURNS } from '../../catalogue/rules/value'
import { REGION_IDS } from '../../face/zones'
import { layersOf, type Layers, type Way } from './layers'
import { merged, type Arc } from './merge'
import { MARK_NAMES, type PlanCase, type SolveFrom } from '../question/planCase'

/**
 * Published as `docs/formats/plan-case.schema.json`. Regions in the order of `regions`, effects in
 * the order of `weights`.
 */
export interface PlanNetwork {
  format: 'oak-basin/plan-case'
  formatVersion: 2
  slotTicks: number
  weights: readonly number[]
  /** Return on an effect: slope up to a bound; the last has none. */
  returns: readonly { upTo: number | null; slope: number }[]
  regions: readonly string[]
  /** What each region may still take, hundredths. */
  headroom: readonly number[]
  maxExfoliations: number
  /** Two marks that no plan may hold together, in whatever stages. */
  never: readonly (readonly [string, string])[]
  /** States at the start of each stage, and after the last. */
  states: readonly number[]
  stages: readonly { id: string; arcs: readonly Arc[] }[]
}

/**
 * The question written out whole, for any solver: every state of the skin that can be reached in
 * the ticks there are, and every way from one to the next.
 * Nothing in it needs the surface model or the catalogue any more.
 */
export function network(planCase: PlanCase, slotTicks: number, from?: SolveFrom): PlanNetwork {
  const net = layersOf(planCase, slotTicks, from)
  const { start, slot, headroom, layers, ends } = net
  const latest = latestStarts(net)
  const raw = layers.map((layer, i) => ({
    id: layer.id,
    states: layer.states,
    arcs: layer.ways
      .flat()
      .filter(
        (way) => (layer.soonest[way.from] ?? 0) + way.ticks <= (latest[i + 1]?.[way.to] ?? -1),
      )
      .map((way) => arcOf(way, planCase)),
  }))
  const { states, stages } = merged(raw, ends)
  return {
    format: 'oak-basin/plan-case',
    formatVersion: 2,
    slotTicks: slot,
    weights: planCase.weights,
    returns: RETURNS.map((step) => ({
      upTo: step.upTo === Number.MAX_SAFE_INTEGER ? null : step.upTo,
      slope: step.slope,
    })),
    regions: REGION_IDS,
    headroom,
    maxExfoliations: planCase.maxExfoliations - start.exfoliations,
    never: planCase.pairs.map(
      ([key, value]) => [namesOf(key)[0] ?? '', namesOf(value)[0] ?? ''] as const,
    ),
    states,
    stages,
  }
}

function arcOf({ from, to, taste, option: chosen, move }: Way, planCase: PlanCase): Arc {
  if (!chosen || !move)
    return {
      from,
      to,
      option: '',
      ticks: 0,
      loads: [],
      effects: planCase.aims.map(() => 0),
      taste: 0,
      cost: 0,
      idle: 0,
      exfoliates: 0,
      marks: [],
    }
  return {
    from,
    to,
    option: chosen.id,
    ticks: move.ticks,
    loads: move.loads,
    effects: chosen.effects,
    taste,
    cost: chosen.costCents,
    idle: chosen.idleTicks,
    exfoliates: chosen.exfoliates ? 1 : 0,
    marks: namesOf(chosen.marks),
  }
}
const namesOf = (marks: number): string[] => MARK_NAMES.filter((_, i) => (marks & (1 << i)) !== 0)

/** By layer and state, the latest tick from which the musts to come still fit. */
function latestStarts({ layers, ends, slot }: Layers): number[][] {
  const out: number[][] = []
  out[layers.length] = Array.from({ length: ends }, () => slot)
  for (let stage = layers.length - 1; stage >= 0; stage--) {
    const row = Array.from({ length: layers[stage]?.states ?? 0 }, () => -1)
    for (const way of layers[stage]?.ways.flat() ?? [])
      row[way.from] = Math.max(row[way.from] ?? -1, (out[stage + 1]?.[way.to] ?? -1) - way.ticks)
    out[stage] = row
  }
  return out
}
