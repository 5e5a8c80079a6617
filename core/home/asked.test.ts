import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NIGHT_IDS, NIGHTS } from '../catalogue/home/nightRows'
import { asUsed, NOTHING_ASKED, USUAL_USE } from './asked'

const say = fc.constantFrom('yes' as const, 'no' as const, 'unsure' as const)
const rhythm = fc.option(fc.integer({ min: 1, max: 7 }), { nil: undefined })
const asked = fc
  .dictionary(fc.constantFrom(...NIGHT_IDS), fc.integer({ min: 0, max: 7 }))
  .map((times) => ({
    ...NOTHING_ASKED,
    uses: Object.fromEntries(
      Object.entries(times).map(([id, perWeek]) => [id, { ...USUAL_USE, perWeek }]),
    ),
  }))

describe('what is used at home is asked once', () => {
  it('goes by the questions where they have been answered, by the form where not', () => {
    fc.assert(
      fc.property(
        asked,
        fc.constantFrom(...NIGHT_IDS),
        fc.option(fc.record({ say, perWeek: rhythm }), { nil: undefined }),
        (form, id, said) => {
          const { finding } = NIGHTS[id]
          const answer = said && {
            say: said.say,
            ...(said.perWeek === undefined ? {} : { perWeek: said.perWeek }),
          }
          const answers = finding && answer ? { [finding]: answer } : {}
          const { uses } = asUsed(form, answers)
          const before = form.uses[id]?.perWeek ?? 0
          if (!finding || !answer) expect(uses[id]?.perWeek ?? 0).toBe(before)
          else if (answer.say === 'no') expect(uses[id]?.perWeek).toBe(0)
          // Whoever says yes, or does not know, is never taken for somebody who uses nothing.
          else expect(uses[id]?.perWeek).toBe(answer.perWeek ?? Math.max(1, before))
          for (const other of NIGHT_IDS.filter((own) => own !== id))
            expect(uses[other]).toEqual(form.uses[other])
        },
      ),
    )
  })
  it('keeps what only the form asks, since when, and takes the strength that the question was told', () => {
    const form = {
      ...NOTHING_ASKED,
      uses: { acid: { perWeek: 0, strength: 'strong', since: 'new' } as const },
    }
    expect(
      asUsed(form, { homeAcid: { say: 'yes', perWeek: 3, strength: 'mild' } }).uses.acid?.strength,
    ).toBe('mild')
    expect(asUsed(form, { homeAcid: { say: 'yes', perWeek: 3 } }).uses.acid).toEqual({
      perWeek: 3,
      strength: 'strong',
      since: 'new',
    })
  })
})
