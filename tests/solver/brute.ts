import type { PlanNetwork } from '#core/planning/search/network'
import type { Tuple } from './mip'

const joined = (ids: readonly string[]) => ['', ...ids].join('|')
const better = (a: Tuple, b: Tuple) =>
  a.value !== b.value
    ? a.value > b.value
    : a.cost !== b.cost
      ? a.cost < b.cost
      : a.idle !== b.idle
        ? a.idle < b.idle
        : joined(a.options) < joined(b.options)

/**
 * Every way through the stages, one by one: no bound, no dominance. @throws Error beyond `most`
 * ways
 */
export function byTrying(n: PlanNetwork, most = 3_000_000): Tuple | undefined {
  const gain = (effect: number) => {
    let out = 0
    let from = 0
    for (const s of n.returns) {
      const to = s.upTo === null ? effect : Math.min(effect, s.upTo)
      if (to > from) out += (to - from) * s.slope
      from = s.upTo ?? from
    }
    return out
  }
  const from = n.stages.map((s) => {
    const by = new Map<number, typeof s.arcs>()
    for (const a of s.arcs) by.set(a.from, [...(by.get(a.from) ?? []), a])
    return by
  })
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
    if (stage === n.stages.length) {
      if (++ways > most) throw new Error(`more than ${most} ways`)
      const t: Tuple = {
        value: n.weights.reduce((v, w, k) => v + w * gain(effects[k] ?? 0), taste),
        cost,
        idle,
        options,
      }
      if (!best || better(t, best)) best = t
      return
    }
    for (const a of from[stage]?.get(state) ?? []) {
      if (ticks + a.ticks > n.slotTicks || works + a.exfoliates > n.maxExfoliations) continue
      const held = a.marks.length > 0 ? [...marks, ...a.marks] : marks
      if (a.marks.length > 0 && n.never.some(([x, y]) => held.includes(x) && held.includes(y)))
        continue
      const sum = a.loads.length === 0 ? loads : loads.map((l, r) => l + (a.loads[r] ?? 0))
      if (a.loads.some((l, r) => l > 0 && (sum[r] ?? 0) > (n.headroom[r] ?? 0))) continue
      go(
        stage + 1,
        a.to,
        ticks + a.ticks,
        sum,
        effects.map((e, k) => e + (a.effects[k] ?? 0)),
        taste + a.taste,
        cost + a.cost,
        idle + a.idle,
        works + a.exfoliates,
        held,
        [...options, a.option],
      )
    }
  }
  go(
    0,
    0,
    0,
    n.headroom.map(() => 0),
    n.weights.map(() => 0),
    0,
    0,
    0,
    0,
    [],
    [],
  )
  return best
}
