import type { PlanNetwork } from '#core/planning/published/network'
import type { Tuple } from './mip'

const joined = (ids: readonly string[]) => ['', ...ids].join('|')
const better = (one: Tuple, other: Tuple) =>
  one.value !== other.value
    ? one.value > other.value
    : one.cost !== other.cost
      ? one.cost < other.cost
      : one.idle !== other.idle
        ? one.idle < other.idle
        : joined(one.options) < joined(other.options)

/**
 * Every way through the stages, one by one: no bound, no dominance. @throws Error beyond `most`
 * ways
 */
export function byTrying(planNetwork: PlanNetwork, most = 3_000_000): Tuple | undefined {
  const gain = (effect: number) => {
    let out = 0
    let from = 0
    for (const part of planNetwork.returns) {
      const to = part.upTo === null ? effect : Math.min(effect, part.upTo)
      if (to > from) out += (to - from) * part.slope
      from = part.upTo ?? from
    }
    return out
  }
  const from = planNetwork.stages.map((stage) => {
    const by = new Map<number, typeof stage.arcs>()
    for (const arc of stage.arcs) by.set(arc.from, [...(by.get(arc.from) ?? []), arc])
    return by
  })
  const valueOf = (effects: readonly number[], taste: number) =>
    planNetwork.weights.reduce((sum, weight, aim) => sum + weight * gain(effects[aim] ?? 0), taste)
  let best: Tuple | undefined
  let ways = 0
  const go = (
    stage: number,
    state: number,
    ticks: number,
    loads: readonly number[],
    effects: readonly number[],
    taste: number,
    cost: number,
    idle: number,
    works: number,
    marks: readonly string[],
    options: readonly string[],
  ): void => {
    if (stage === planNetwork.stages.length) {
      if (++ways > most) throw new Error(`more than ${most} ways`)
      const tuple: Tuple = { value: valueOf(effects, taste), cost, idle, options }
      if (!best || better(tuple, best)) best = tuple
      return
    }
    for (const arc of from[stage]?.get(state) ?? []) {
      if (
        ticks + arc.ticks > planNetwork.slotTicks ||
        works + arc.exfoliates > planNetwork.maxExfoliations
      )
        continue
      const held = arc.marks.length > 0 ? [...marks, ...arc.marks] : marks
      if (
        arc.marks.length > 0 &&
        planNetwork.never.some(([x, y]) => held.includes(x) && held.includes(y))
      )
        continue
      const sum =
        arc.loads.length === 0 ? loads : loads.map((load, zone) => load + (arc.loads[zone] ?? 0))
      if (
        arc.loads.some(
          (load, zone) => load > 0 && (sum[zone] ?? 0) > (planNetwork.headroom[zone] ?? 0),
        )
      )
        continue
      go(
        stage + 1,
        arc.to,
        ticks + arc.ticks,
        sum,
        effects.map((effect, aim) => effect + (arc.effects[aim] ?? 0)),
        taste + arc.taste,
        cost + arc.cost,
        idle + arc.idle,
        works + arc.exfoliates,
        held,
        [...options, arc.option],
      )
    }
  }
  go(
    0,
    0,
    0,
    planNetwork.headroom.map(() => 0),
    planNetwork.weights.map(() => 0),
    0,
    0,
    0,
    0,
    [],
    [],
  )
  return best
}
