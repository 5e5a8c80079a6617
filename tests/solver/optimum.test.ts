import { describe, expect, it } from 'vitest'
import { network } from '#core/planning/network'
import { solve, type Solution } from '#core/planning/solve'
import { byTrying } from './brute'
import { realistic, small } from './cases'
import { byFlow, type Tuple } from './mip'

const SMALL = process.env.OAK_FULL ? 300 : 60
const REALISTIC = process.env.OAK_FULL ? 300 : 40
/** Seconds for one tier of one case; running out is a failure. */
const SECONDS = 60
const ours = (s: Solution | undefined, stages: number): Tuple | undefined => s && { value: s.value, cost: s.costCents, idle: s.idleTicks, options: s.chosen.slice(-stages) }

describe('the best plan', () => {
  it(`of ${SMALL} small seeded cases is what trying everything finds, and what an outside solver finds`, async () => {
    let solved = 0
    for (let seed = 1; seed <= SMALL; seed++) {
      const { c, slotTicks } = small(seed)
      const n = network(c, slotTicks)
      const own = ours(solve(c, slotTicks), n.stages.length)
      expect(own, `seed ${seed}, trying everything`).toEqual(byTrying(n))
      expect(own, `seed ${seed}, outside solver`).toEqual(await byFlow(n, SECONDS))
      if (own) solved++
    }
    console.log(`≈ ${SMALL} small cases equal brute force and the outside solver as full tuples; ${solved} have a plan`)
    expect(solved).toBeGreaterThan(SMALL / 2)
  })
  it(`of ${REALISTIC} realistic seeded cases is what an outside solver finds`, async () => {
    const seen = { load: 0, slot: 0, surface: 0, greedy: 0, solved: 0 }
    for (let seed = 1; seed <= REALISTIC; seed++) {
      const { c, slotTicks } = realistic(seed)
      const n = network(c, slotTicks)
      const best = solve(c, slotTicks)
      expect(ours(best, n.stages.length), `seed ${seed}`).toEqual(await byFlow(n, SECONDS))
      if (!best) continue
      seen.solved++
      const free = (c2: typeof c, ticks: number) => solve(c2, ticks)?.value ?? Number.POSITIVE_INFINITY
      if (free(c, slotTicks + 120) > best.value) seen.slot++
      if (free({ ...c, rim: Object.fromEntries(Object.keys(c.rim).map((r) => [r, 100_000])) as never }, slotTicks) > best.value) seen.load++
      if (best.moves.some((m) => m.mend)) seen.surface++
      if (greedy(n) !== best.value) seen.greedy++
    }
    console.log(`≈ ${REALISTIC} realistic cases equal the outside solver as full tuples: the slot binds in ${seen.slot}, the load in ${seen.load}, the surface in ${seen.surface}; better than taking the best step each time in ${seen.greedy} of ${seen.solved}`)
    expect(seen.solved).toBeGreaterThan(REALISTIC * 0.8)
  })
})

/** Stage by stage the arc that adds most at that moment, as long as the rest still fits: what one would do by hand. */
function greedy(n: ReturnType<typeof network>): number {
  const gain = (e: number) => { let out = 0; let from = 0; for (const s of n.returns) { const to = s.upTo === null ? e : Math.min(e, s.upTo); if (to > from) out += (to - from) * s.slope; from = s.upTo ?? from } return out }
  const soonest: number[][] = [...n.states.map((k) => Array.from({ length: k }, () => Number.POSITIVE_INFINITY))]
  soonest[n.stages.length]?.fill(0)
  for (let s = n.stages.length - 1; s >= 0; s--) for (const a of n.stages[s]?.arcs ?? []) { const row = soonest[s]; if (row) row[a.from] = Math.min(row[a.from] ?? Infinity, a.ticks + (soonest[s + 1]?.[a.to] ?? Infinity)) }
  let state = 0
  let ticks = 0
  let works = 0
  let taste = 0
  let marks: readonly string[] = []
  let loads = n.headroom.map(() => 0)
  let effects = n.weights.map(() => 0)
  const worth = (e: readonly number[], t: number) => n.weights.reduce((v, w, k) => v + w * gain(e[k] ?? 0), t)
  for (let s = 0; s < n.stages.length; s++) {
    const fit = (n.stages[s]?.arcs ?? []).filter((a) => a.from === state && works + a.exfoliates <= n.maxExfoliations && !n.never.some(([x, y]) => [...marks, ...a.marks].includes(x) && [...marks, ...a.marks].includes(y)) && ticks + a.ticks + (soonest[s + 1]?.[a.to] ?? Infinity) <= n.slotTicks && !a.loads.some((l, r) => l > 0 && (loads[r] ?? 0) + l > (n.headroom[r] ?? 0)))
    const scored = fit.map((a) => ({ a, v: worth(effects.map((e, k) => e + (a.effects[k] ?? 0)), taste + a.taste) })).sort((x, y) => y.v - x.v)
    const pick = scored[0]?.a
    if (!pick) return Number.NEGATIVE_INFINITY
    state = pick.to; ticks += pick.ticks; works += pick.exfoliates; marks = [...marks, ...pick.marks]; taste += pick.taste
    loads = loads.map((l, r) => l + (pick.loads[r] ?? 0))
    effects = effects.map((e, k) => e + (pick.effects[k] ?? 0))
  }
  return worth(effects, taste)
}
