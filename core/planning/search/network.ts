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
export function network(c: PlanCase, slotTicks: number, from?: SolveFrom): PlanNetwork {
  const net = layersOf(c, slotTicks, from)
  const { start, slot, headroom, layers, ends } = net
  const latest = latestStarts(net)
  const raw = layers.map((l, i) => ({
    id: l.id,
    states: l.states,
    arcs: l.ways
      .flat()
      .filter((w) => (l.soonest[w.from] ?? 0) + w.ticks <= (latest[i + 1]?.[w.to] ?? -1))
      .map((w) => arcOf(w, c)),
  }))
  const { states, stages } = merged(raw, ends)
  return {
    format: 'oak-basin/plan-case',
    formatVersion: 2,
    slotTicks: slot,
    weights: c.weights,
    returns: RETURNS.map((r) => ({
      upTo: r.upTo === Number.MAX_SAFE_INTEGER ? null : r.upTo,
      slope: r.slope,
    })),
    regions: REGION_IDS,
    headroom,
    maxExfoliations: c.maxExfoliations - start.exfoliations,
    never: c.pairs.map(([a, b]) => [namesOf(a)[0] ?? '', namesOf(b)[0] ?? ''] as const),
    states,
    stages,
  }
}

function arcOf({ from, to, option: o, move }: Way, c: PlanCase): Arc {
  if (!o || !move)
    return {
      from,
      to,
      option: '',
      ticks: 0,
      loads: [],
      effects: c.aims.map(() => 0),
      taste: 0,
      cost: 0,
      idle: 0,
      exfoliates: 0,
      marks: [],
    }
  return {
    from,
    to,
    option: o.id,
    ticks: move.ticks,
    loads: move.loads,
    effects: o.effects,
    taste: o.taste,
    cost: o.costCents,
    idle: o.idleTicks,
    exfoliates: o.exfoliates ? 1 : 0,
    marks: namesOf(o.marks),
  }
}
const namesOf = (marks: number): string[] => MARK_NAMES.filter((_, i) => (marks & (1 << i)) !== 0)

/** By layer and state, the latest tick from which the musts to come still fit. */
function latestStarts({ layers, ends, slot }: Layers): number[][] {
  const out: number[][] = []
  out[layers.length] = Array.from({ length: ends }, () => slot)
  for (let s = layers.length - 1; s >= 0; s--) {
    const row = Array.from({ length: layers[s]?.states ?? 0 }, () => -1)
    for (const w of layers[s]?.ways.flat() ?? [])
      row[w.from] = Math.max(row[w.from] ?? -1, (out[s + 1]?.[w.to] ?? -1) - w.ticks)
    out[s] = row
  }
  return out
}
