import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LICENCE_IDS } from '../../catalogue/kinds'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { bottleRateOf } from '../../dosing/bottleRate'
import { freeAcidOf } from '../../dosing/freeAcid'
import { REGION_IDS, type RegionId } from '../../face/zones'
import { HEATED, loadOn } from '../../load/loads'
import { caution, inputOfPerson, isCaution, person, type Person } from '../../testing/randomPeople'
import type { PlanInput } from '../input'
import { isSensitive } from '../today/adapt'
import { allowances } from '../today/allowed'
import { weakestActive } from './milder'
import { permittedOf, type Permitted } from './permit'
import { agendaOf } from './work'

const permitted = (input: PlanInput): Permitted[] =>
  permittedOf(input, allowances(input), agendaOf(input))

/** What a piece of work, done as long as it may be, asks of a zone; nothing where it is not done. */
function asks(own: Permitted | undefined, region: RegionId, input: PlanInput): number {
  if (!own?.regions.includes(region)) return 0
  const technique = TECHNIQUES[own.technique]
  const bottle = weakestActive(technique, input)
  return loadOn(
    region,
    technique,
    {
      handsMinutes: own.minutes,
      dwellMinutes: own.dwellMost ?? 0,
      passes: own.passes ?? 0,
      ...(technique.setting ? { setting: technique.setting.start } : {}),
      ...(bottle ? { freeAcid: freeAcidOf(bottle), bottleRate: bottleRateOf(bottle) } : {}),
    },
    HEATED,
  )
}

describe('what of the agenda a skin bears', () => {
  it('rests as long as its label asks, or is not done: less is for tender skin alone', () => {
    fc.assert(
      fc.property(person, (who) => {
        const input = inputOfPerson(who)
        if (REGION_IDS.some(isSensitive(input.profile))) return
        for (const { technique, dwellMost } of permitted(input)) {
          const { product: kind, dwell } = TECHNIQUES[technique]
          const labels = input.shelf.flatMap(({ product }) =>
            product.kind === kind && product.rests ? [product.rests.from] : [],
          )
          if (dwell && dwellMost !== undefined)
            for (const from of labels)
              expect(dwellMost, technique).toBeGreaterThanOrEqual(Math.min(from, dwell.latest))
        }
      }),
      { numRuns: 500 },
    )
  })
  it('loses with every caution, piece by piece: never a stronger worker, another zone, more load', () => {
    fc.assert(
      fc.property(person, fc.array(caution, { minLength: 1, maxLength: 3 }), (one, all) => {
        // Spots, and a calm that nobody asked for, change what the visit is for.
        const who: Person = { ...one, licences: LICENCE_IDS }
        const cautions = all.filter(
          (own) => isCaution(who, own) && !/^(spots|sensitivity|redness|unread)/.test(own.name),
        )
        const [less, more] = [
          inputOfPerson(who),
          inputOfPerson(cautions.reduce<Person>((own, { of }) => of(own), who)),
        ]
        expect(agendaOf(more)).toEqual(agendaOf(less))
        const [free, held] = [permitted(less), permitted(more)]
        for (const now of held) {
          const same = ({ work }: Permitted) =>
            work.rank === now.work.rank && work.place === now.work.place
          const was = free.find(same)
          if (!was) throw new Error(`${now.technique} comes in`)
          const [step, before] = [now, was].map(({ work, technique }) =>
            work.ladder.indexOf(technique),
          )
          expect(step, now.technique).toBeGreaterThanOrEqual(before ?? 0)
          for (const region of now.regions) {
            expect(was.regions, now.technique).toContain(region)
            expect(
              asks(now, region, more),
              `${now.technique} on the ${region}`,
            ).toBeLessThanOrEqual(asks(was, region, less))
          }
        }
      }),
      { numRuns: process.env.OAK_FULL ? 10_000 : 500 },
    )
  })
})
