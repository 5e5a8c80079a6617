import { describe, expect, it } from 'vitest'
import { network } from '#core/planning/published/network'
import { solve } from '#core/planning/search/solve'
import { byTrying } from './brute'
import { small } from './cases'
import { byFlow, ours } from './mip'

const SMALL = process.env.OAK_FULL ? 300 : 60
/** Seconds for one tier of one case; running out is a failure. */
const SECONDS = 60

describe('the best plan', () => {
  it(`of ${SMALL} small seeded cases is what trying everything finds, and what an outside solver finds`, async () => {
    let solved = 0
    for (let seed = 1; seed <= SMALL; seed++) {
      const { c: planCase, slotTicks } = small(seed)
      const planNetwork = network(planCase, slotTicks)
      const own = ours(solve(planCase, slotTicks), planNetwork.stages.length)
      expect(own, `seed ${seed}, trying everything`).toEqual(byTrying(planNetwork))
      expect(own, `seed ${seed}, outside solver`).toEqual(await byFlow(planNetwork, SECONDS))
      if (own) solved++
    }
    console.log(
      `≈ ${SMALL} small cases equal brute force and the outside solver as full tuples; ${solved} have a plan`,
    )
    expect(solved).toBeGreaterThan(SMALL / 2)
  })
})
