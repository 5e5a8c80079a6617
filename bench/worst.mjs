import { performance } from 'node:perf_hooks'
import { say } from '../scripts/say.mjs'
import { bundled } from './bundled.mjs'
import { ms, quantile } from './numbers.mjs'

/**
 * Looks for the plan that takes longest to find: `npm run worst -- MINUTES FIRST`. Long visits, large
 * shelves, skin that carries something already; each person has a number, and the same one on every
 * machine. Prints how long plans take and the numbers of the slowest, so that they can be kept as cases.
 */
const MINUTE_MS = 60_000
const [minutes = 10, first = 1] = process.argv.slice(2).map(Number)
/** A code that has not run yet is slower: these are not counted. */
const WARM = 60
/**
 * The slow ones are asked again, so that it is the case and not the machine that is slow; somebody else
 * in between, so that nothing of it is known any more. Of so many the slowest few are shown.
 */
const KEPT = 200
const SHOWN = 8
const AGAIN = 3
const ELSE = 7

const { hardPersonOf, inputOfHard, propose } = await bundled([
  'core/testing/hardPeople.ts',
  'core/planning/answer/propose.ts',
])
/** Milliseconds that the first plan of somebody takes: nothing is known of them yet. */
function takes(seed) {
  const input = inputOfHard(hardPersonOf(seed))
  const began = performance.now()
  propose(input)
  return performance.now() - began
}

for (let seed = first - WARM; seed < first; seed++) takes(seed)
const all = []
let slowest = []
const until = performance.now() + minutes * MINUTE_MS
for (let seed = first; performance.now() < until; seed++) {
  const took = takes(seed)
  all.push(took)
  slowest.push({ seed, took })
  if (slowest.length > 2 * KEPT)
    slowest = slowest.toSorted((one, other) => other.took - one.took).slice(0, KEPT)
}
say(
  `${all.length} people from number ${first} on: median ${ms(quantile(all, 0.5))}, ` +
    `p95 ${ms(quantile(all, 0.95))}, p99.9 ${ms(quantile(all, 0.999))}`,
)
const again = slowest
  .toSorted((one, other) => other.took - one.took)
  .slice(0, KEPT)
  .map(({ seed, took }) => ({
    ...{ seed, took },
    least: Math.min(
      ...Array.from({ length: AGAIN }, () => {
        takes(seed + ELSE)
        return takes(seed)
      }),
    ),
  }))
for (const { seed, took, least } of again
  .toSorted((one, other) => other.least - one.least)
  .slice(0, SHOWN)) {
  const { slotMinutes, bottles, aims, carried } = hardPersonOf(seed)
  say(
    `  ${seed}: ${ms(took)}, again ${ms(least)}; ${slotMinutes} min, ${bottles} of each bottle, ` +
      `${aims.length} aims, ${carried.length} zones carry something`,
  )
}
