import { expect, it } from 'vitest'
import { settledAgenda } from '#core/planning/answer/settle'
import { network } from '#core/planning/published/network'
import { compile } from '#core/planning/question/compile'
import { solve } from '#core/planning/search/solve'
import { allowances } from '#core/planning/today/allowed'
import { hardPersonOf, inputOfHard } from '#core/testing/hardPeople'
import { ticksWithin } from '#core/units'
import { byFlow, ours } from './mip'

/** People whose plan took longest to find among eleven thousand: `npm run worst -- 5 1`. */
const HARDEST = [8937, 2700, 9039, 10_229, 432, 8954, 9341, 10_792]
/** Seconds for one tier of one case; running out is a failure. */
const SECONDS = 120

it.each(HARDEST)('the plan of person %i, hard to find, is the outside solver’s', async (seed) => {
  const input = inputOfHard(hardPersonOf(seed))
  const planCase = compile(input, allowances(input), settledAgenda(input))
  const slotTicks = ticksWithin(input.slotMinutes)
  const planNetwork = network(planCase, slotTicks)
  const own = ours(solve(planCase, slotTicks), planNetwork.stages.length)
  expect(own).toEqual(await byFlow(planNetwork, SECONDS))
})
