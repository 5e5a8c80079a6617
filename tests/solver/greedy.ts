import type { PlanNetwork } from '#core/planning/search/network'

/**
 * Stage by stage the arc that adds most at that moment, as long as the rest still fits: what one
 * would do by hand.
 */
export function greedy(n: PlanNetwork): number {
  const gain = (e: number) => {
    let out = 0
    let from = 0
    for (const s of n.returns) {
      const to = s.upTo === null ? e : Math.min(e, s.upTo)
      if (to > from) out += (to - from) * s.slope
      from = s.upTo ?? from
    }
    return out
  }
  const soonest: number[][] = [
    ...n.states.map((k) => Array.from({ length: k }, () => Number.POSITIVE_INFINITY)),
  ]
  soonest[n.stages.length]?.fill(0)
  for (let s = n.stages.length - 1; s >= 0; s--)
    for (const a of n.stages[s]?.arcs ?? []) {
      const row = soonest[s]
      if (row)
        row[a.from] = Math.min(
          row[a.from] ?? Infinity,
          a.ticks + (soonest[s + 1]?.[a.to] ?? Infinity),
        )
    }
  let state = 0
  let ticks = 0
  let works = 0
  let taste = 0
  let marks: readonly string[] = []
  let loads = n.headroom.map(() => 0)
  let effects = n.weights.map(() => 0)
  const worth = (e: readonly number[], t: number) =>
    n.weights.reduce((v, w, k) => v + w * gain(e[k] ?? 0), t)
  for (let s = 0; s < n.stages.length; s++) {
    const fit = (n.stages[s]?.arcs ?? []).filter(
      (a) =>
        a.from === state &&
        works + a.exfoliates <= n.maxExfoliations &&
        !n.never.some(
          ([x, y]) => [...marks, ...a.marks].includes(x) && [...marks, ...a.marks].includes(y),
        ) &&
        ticks + a.ticks + (soonest[s + 1]?.[a.to] ?? Infinity) <= n.slotTicks &&
        !a.loads.some((l, r) => l > 0 && (loads[r] ?? 0) + l > (n.headroom[r] ?? 0)),
    )
    const scored = fit
      .map((a) => ({
        a,
        v: worth(
          effects.map((e, k) => e + (a.effects[k] ?? 0)),
          taste + a.taste,
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
    loads = loads.map((l, r) => l + (pick.loads[r] ?? 0))
    effects = effects.map((e, k) => e + (pick.effects[k] ?? 0))
  }
  return worth(effects, taste)
}
