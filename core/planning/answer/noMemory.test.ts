import fc from 'fast-check'
import { expect, it, vi } from 'vitest'
import { LICENCE_IDS } from '../../catalogue/kinds'
import type { TechniqueId } from '../../catalogue/techniques/techniques'
import { keptWay, withWay } from '../../testing/ownWays'
import { inputOfPerson, person } from '../../testing/randomPeople'
import { propose } from './propose'

/*
 * What was worked out for one plan is kept for the next ones, of other clients, houses and days. A plan
 * hangs on its own question alone all the same: as it is made in a house that has just been started.
 */
const OFTEN: readonly TechniqueId[] = [
  ...(['tip', 'enzyme', 'massage', 'hydratingMask', 'clay', 'creamMask', 'acidMask'] as const),
  ...(['freshMask', 'highFrequency', 'steam', 'spatula', 'grain'] as const),
]
const twice = fc.constantFrom(...OFTEN).chain((id) => fc.tuple(keptWay(id), keptWay(id)))

it('a plan is the same after the technique was planned plainly, and in a way that was changed since', async () => {
  await fc.assert(
    fc.asyncProperty(person, twice, async (who, [before, now]) => {
      // Asked for by its name, with time for it: most plans hold it.
      const bears = { ...who, named: [now.from], told: [], slotMinutes: 90, licences: LICENCE_IDS }
      const input = inputOfPerson(bears)
      propose(input)
      propose(withWay(input, before))
      const after = propose(withWay(input, now))
      vi.resetModules()
      const { propose: afresh } = await import('./propose')
      expect(after).toEqual(afresh(withWay(input, now)))
    }),
    { numRuns: process.env.OAK_FULL ? 150 : 25 },
  )
})
