import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { INTENTIONS } from '../../catalogue/rules/intentions'
import { TECHNIQUES, type TechniqueId } from '../../catalogue/techniques/techniques'
import { REGION_IDS } from '../../face/zones'
import { caution, inputOfPerson, isCaution, person } from '../../testing/randomPeople'
import { isWork, stressesOf, type Stress } from '../../testing/stresses'
import { propose, type Proposal } from './propose'

const RUNS = process.env.OAK_FULL ? Number(process.env.OAK_RUNS ?? 3000) : 200

const rungOf = (id: TechniqueId): number => TECHNIQUES[id].rung ?? 0
/** Of one intention: both stand in one line of work of the same row. */
const sameLine = (one: TechniqueId, other: TechniqueId): boolean =>
  Object.values(INTENTIONS).some(({ lines }) =>
    lines.some(({ workers }) => workers.includes(one) && workers.includes(other)),
  )
const worked = ({ steps }: Proposal): TechniqueId[] => [
  ...new Set(steps.map(({ technique }) => technique).filter(isWork)),
]

describe('caution only takes away', () => {
  it('one caution more, or two or three, and no zone bears more, no work comes but milder for what went', () => {
    fc.assert(
      fc.property(person, fc.array(caution, { minLength: 1, maxLength: 3 }), (who, all) => {
        // A spot is what a visit for breakouts is for: there it asks for work, and for less of it.
        const spotsAsk = who.aims.includes('breakouts')
        const cautions = all.filter(
          (one) => isCaution(who, one) && !(spotsAsk && one.name.startsWith('spots')),
        )
        const careful = cautions.reduce((own, { of }) => of(own), who)
        const [less, more] = [inputOfPerson(who), inputOfPerson(careful)]
        const [free, held] = [propose(less), propose(more)]
        if (free.failed) return
        const before = stressesOf(less, free.steps)
        const after = stressesOf(more, held.steps)
        for (const region of REGION_IDS)
          for (const [kind, now] of Object.entries(after.get(region) ?? {})) {
            const was = before.get(region)?.[kind as keyof Stress] ?? 0
            expect(now, `${kind} on the ${region}`).toBeLessThanOrEqual(was)
          }
        const had = worked(free)
        for (const id of worked(held)) {
          if (had.includes(id)) continue
          const gone = had.filter((one) => !worked(held).includes(one))
          const insteadOf = gone.filter((one) => sameLine(one, id) && rungOf(id) <= rungOf(one))
          expect(insteadOf, `${id} comes in`).not.toEqual([])
        }
      }),
      { numRuns: RUNS },
    )
  })
})
