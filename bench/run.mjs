/**
 * Measures and prints; never asserts. `npm run bench`, or `npm run bench planner replan proposal
 * verdict page start test volume routes events wide practices room` for some.
 */
import { say } from '../scripts/say.mjs'

const PARTS = [
  'planner',
  'replan',
  'proposal',
  'verdict',
  'page',
  'start',
  'test',
  'volume',
  'routes',
  'events',
  'wide',
  'practices',
  'room',
]
const asked = process.argv.slice(2)
for (const part of PARTS) {
  if (asked.length > 0 && !asked.includes(part)) continue
  say(`\n${part}`)
  const { default: measure } = await import(`./${part}.mjs`)
  for (const line of await measure()) say(`  ${line}`)
}
process.exit(0)
