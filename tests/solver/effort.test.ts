import { readFileSync, writeFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { settledAgenda } from '#core/planning/answer/settle'
import { compile } from '#core/planning/question/compile'
import { solve, type Effort } from '#core/planning/search/solve'
import { allowances } from '#core/planning/today/allowed'
import { hardPersonOf, inputOfHard } from '#core/testing/hardPeople'
import { ticksWithin } from '#core/units'
import { realistic } from './cases'

/**
 * What the search may take, counted, not timed: the ways it lays out and the labels it makes on each
 * seeded case. A bound that is no longer tight, a state that is no longer one with another just like
 * it, and the count is far above. `OAK_WRITE_EFFORT=1` writes the counts anew, where they are to be
 * others on purpose.
 */
const FILE = new URL('./effort.json', import.meta.url)
const REALISTIC = 40
const HARD = 60
/** A rule or a row more moves a count a little. */
const ROOM = 1.25
const ROOM_FEW = 20

type Counts = Record<string, Effort>
const NOTHING: Effort = { ways: 0, labels: 0 }

function counted(): Counts {
  const counts: Counts = {}
  for (let seed = 1; seed <= REALISTIC; seed++) {
    const { c: planCase, slotTicks } = realistic(seed)
    counts[`realistic ${seed}`] = solve(planCase, slotTicks)?.effort ?? NOTHING
  }
  for (let seed = 1; seed <= HARD; seed++) {
    const input = inputOfHard(hardPersonOf(seed))
    const planCase = compile(input, allowances(input), settledAgenda(input))
    counts[`hard ${seed}`] = solve(planCase, ticksWithin(input.slotMinutes))?.effort ?? NOTHING
  }
  return counts
}

const tooMuch = (took: Effort, may: Effort) =>
  took.ways > may.ways * ROOM + ROOM_FEW || took.labels > may.labels * ROOM + ROOM_FEW

it('no seeded case takes more of the search than it may', () => {
  const counts = counted()
  if (process.env.OAK_WRITE_EFFORT) writeFileSync(FILE, `${JSON.stringify(counts, null, 2)}\n`)
  const may = JSON.parse(readFileSync(FILE, 'utf8')) as Counts
  expect(Object.keys(counts)).toEqual(Object.keys(may))
  const above = Object.entries(counts).filter(([seeded, took]) =>
    tooMuch(took, may[seeded] ?? NOTHING),
  )
  expect(above).toEqual([])
})
