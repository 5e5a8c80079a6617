import { network } from '#core/planning/published/network'
import { solve } from '#core/planning/search/solve'
import { realistic } from './cases'
import { greedy } from './greedy'
import { byFlow, ours, type Tuple } from './mip'

const REALISTIC = process.env.OAK_FULL ? 300 : 40
/** Seconds for one tier of one case; running out is a failure. */
const SECONDS = 120

export interface Seen {
  cases: number
  load: number
  slot: number
  surface: number
  greedy: number
  solved: number
  differ: readonly { seed: number; own: Tuple | undefined; outside: Tuple | undefined }[]
}

/**
 * One half of the realistic seeded cases, so that two processors share them: our plan beside that
 * of the outside solver, and what was binding.
 */
export async function compared(half: 0 | 1): Promise<Seen> {
  const seen = {
    cases: 0,
    load: 0,
    slot: 0,
    surface: 0,
    greedy: 0,
    solved: 0,
    differ: [] as { seed: number; own: Tuple | undefined; outside: Tuple | undefined }[],
  }
  for (let seed = 1 + half; seed <= REALISTIC; seed += 2) {
    const { c: planCase, slotTicks } = realistic(seed)
    const planNetwork = network(planCase, slotTicks)
    const best = solve(planCase, slotTicks)
    const own = ours(best, planNetwork.stages.length)
    const outside = await byFlow(planNetwork, SECONDS)
    seen.cases++
    if (JSON.stringify(own) !== JSON.stringify(outside)) seen.differ.push({ seed, own, outside })
    if (!best) continue
    seen.solved++
    if ((solve(planCase, slotTicks + 120)?.value ?? Number.POSITIVE_INFINITY) > best.value)
      seen.slot++
    if (
      (solve(
        {
          ...planCase,
          tolerance: Object.fromEntries(
            Object.keys(planCase.tolerance).map((region) => [region, 100_000]),
          ) as never,
        },
        slotTicks,
      )?.value ?? Number.POSITIVE_INFINITY) > best.value
    )
      seen.load++
    if (best.moves.some((move) => move.mend)) seen.surface++
    if (greedy(planNetwork) !== best.value) seen.greedy++
  }
  console.log(
    `≈ ${seen.cases} realistic cases beside the outside solver as full tuples: the slot ` +
      `binds in ${seen.slot}, the load in ${seen.load}, the surface in ${seen.surface}; ` +
      `better than taking the best step each time in ${seen.greedy} of ${seen.solved}`,
  )
  return seen
}
