import type { PlanNetwork } from '#core/planning/published/network'

/**
 * Stage by stage the arc that adds most at that moment, as long as the rest still fits: what one
 * would do by hand.
 */
export function greedy(planNetwork: PlanNetwork): number {
  const gain = (event: number) => {
    let out = 0
    let from = 0
    for (const part of planNetwork.returns) {
      const to = part.upTo === null ? event : Math.min(event, part.upTo)
      if (to > from) out += (to - from) * part.slope
      from = part.upTo ?? from
    }
    return out
  }
  const soonest: number[][] = [
    ...planNetwork.states.map((aim) => Array.from({ length: aim }, () => Number.POSITIVE_INFINITY)),
  ]
  soonest[planNetwork.stages.length]?.fill(0)
  for (let stage = planNetwork.stages.length - 1; stage >= 0; stage--)
    for (const arc of planNetwork.stages[stage]?.arcs ?? []) {
      const row = soonest[stage]
      if (row)
        row[arc.from] = Math.min(
          row[arc.from] ?? Infinity,
          arc.ticks + (soonest[stage + 1]?.[arc.to] ?? Infinity),
        )
    }
  let state = 0
  let ticks = 0
  let works = 0
  let taste = 0
  let marks: readonly string[] = []
  let loads = planNetwork.headroom.map(() => 0)
  let effects = planNetwork.weights.map(() => 0)
  const worth = (effects: readonly number[], taste: number) =>
    planNetwork.weights.reduce((sum, weight, aim) => sum + weight * gain(effects[aim] ?? 0), taste)
  for (let stage = 0; stage < planNetwork.stages.length; stage++) {
    const fit = (planNetwork.stages[stage]?.arcs ?? []).filter(
      (arc) =>
        arc.from === state &&
        works + arc.exfoliates <= planNetwork.maxExfoliations &&
        !planNetwork.never.some(
          ([x, y]) => [...marks, ...arc.marks].includes(x) && [...marks, ...arc.marks].includes(y),
        ) &&
        ticks + arc.ticks + (soonest[stage + 1]?.[arc.to] ?? Infinity) <= planNetwork.slotTicks &&
        !arc.loads.some(
          (load, zone) => load > 0 && (loads[zone] ?? 0) + load > (planNetwork.headroom[zone] ?? 0),
        ),
    )
    const scored = fit
      .map((arc) => ({
        a: arc,
        v: worth(
          effects.map((effect, aim) => effect + (arc.effects[aim] ?? 0)),
          taste + arc.taste,
        ),
      }))
      .sort((x, y) => y.v - x.v)
    const pick = scored[0]?.a
    if (!pick) return Number.NEGATIVE_INFINITY
    state = pick.to
    ticks += pick.ticks
    works += pick.exfoliates
    marks = [...marks, ...pick.marks]
    taste += pick.taste
    loads = loads.map((load, zone) => load + (pick.loads[zone] ?? 0))
    effects = effects.map((effect, aim) => effect + (pick.effects[aim] ?? 0))
  }
  return worth(effects, taste)
}
