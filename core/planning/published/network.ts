import { RETURNS } from '../../catalogue/rules/value'
import { REGION_IDS } from '../../face/zones'
import { MARK_NAMES, type PlanCase, type SolveFrom } from '../question/planCase'
import { type Layers, layersOf, type Way } from '../search/layers'

/**
 * One way through a stage from one state of the skin to the next: an option with its connecting
 * steps, or none. Whole numbers throughout.
 */
interface Arc {
  from: number
  to: number
  /** '' is none. */ option: string
  ticks: number
  loads: readonly number[]
  effects: readonly number[]
  taste: number
  cost: number
  idle: number
  exfoliates: 0 | 1
  /** Kinds of work that may not share a visit with others. */ marks: readonly string[]
}
interface RawStage {
  id: string
  states: number
  arcs: readonly Arc[]
}

/**
 * The same question with fewer words: states from which just the same may follow become one, and
 * an arc that another between the same two states
 * beats or equals in everything is left out. From the end backwards; no plan gains or loses by it.
 */
function merged(
  raw: readonly RawStage[],
  ends: number,
): { states: number[]; stages: { id: string; arcs: Arc[] }[] } {
  // Nothing follows the last stage: all its ends are one.
  let same: readonly number[] = Array.from({ length: ends }, () => 0)
  const states = [Math.min(1, ends)]
  const stages: { id: string; arcs: Arc[] }[] = []
  for (let index = raw.length - 1; index >= 0; index--) {
    const stage = raw[index]
    if (!stage) continue
    const from: Arc[][] = Array.from({ length: stage.states }, () => [])
    for (const arc of stage.arcs) from[arc.from]?.push({ ...arc, to: same[arc.to] ?? 0 })
    const known = new Map<string, { index: number; arcs: Arc[] }>()
    same = from.map((list) => {
      const own = lean(list)
      const key = own
        .map((arc) => `${arc.option}>${arc.to}:${arc.ticks}:${arc.taste}:${arc.loads.join('.')}`)
        .sort()
        .join('|')
      const found = known.get(key) ?? { index: known.size, arcs: own }
      known.set(key, found)
      return found.index
    })
    stages.unshift({
      id: stage.id,
      arcs: [...known.values()].flatMap((merged) =>
        merged.arcs.map((arc) => ({ ...arc, from: merged.index })),
      ),
    })
    states.unshift(known.size)
  }
  return { states, stages }
}

function lean(arcs: readonly Arc[]): Arc[] {
  const bundles = new Map<number, Arc[]>()
  for (const arc of arcs) {
    const list = bundles.get(arc.to)
    if (list) list.push(arc)
    else bundles.set(arc.to, [arc])
  }
  const beaten = new Set<Arc>()
  for (const list of bundles.values())
    for (const one of list)
      if (!beaten.has(one))
        for (const other of list)
          if (one !== other && !beaten.has(other) && beats(one, other)) beaten.add(other)
  return arcs.filter((arc) => !beaten.has(arc))
}

/**
 * Whether one arc serves at least as well as another in everything there is; equals go by the
 * smaller id.
 */
function beats(one: Arc, other: Arc): boolean {
  if (
    one.ticks > other.ticks ||
    one.taste < other.taste ||
    one.cost > other.cost ||
    one.idle > other.idle ||
    one.exfoliates > other.exfoliates ||
    one.marks.some((mark) => !other.marks.includes(mark))
  )
    return false
  if (one.effects.some((effect, i) => effect < (other.effects[i] ?? 0))) return false
  for (let i = 0; i < Math.max(one.loads.length, other.loads.length); i++)
    if ((one.loads[i] ?? 0) > (other.loads[i] ?? 0)) return false
  return betters(one, other) || `${one.option}|` < `${other.option}|`
}
/** Of two that serve as well: whether one serves better in something. */
const betters = (one: Arc, other: Arc): boolean =>
  one.taste > other.taste ||
  one.cost < other.cost ||
  one.idle < other.idle ||
  one.effects.some((effect, i) => effect > (other.effects[i] ?? 0))

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
