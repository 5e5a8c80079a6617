import { describe, expect, it } from 'vitest'
import { addDays } from '../screening/asking/days'
import { allNo, planInput, TODAY } from '../testing/fixtures'
import { visitBundle } from '../testing/bundle'
import { toPlanInput } from '../visit/planInput'
import { NOTHING_ASKED } from './asked'
import { eveningOf } from './evenings'
import { plannedPourings } from './planned'
import { routineFor } from './routine'

const ZONE = 'Europe/Oslo'
const wishes = {
  nights: [{ id: 'retinoid' as const, perWeek: 7, strength: 'usual' as const }],
  vitaminC: false,
  named: {},
}
const uses = { retinoid: { perWeek: 7, strength: 'usual', since: 'months' } } as const
const routine = routineFor({
  asked: { ...NOTHING_ASKED, uses },
  wishes,
  input: planInput(),
  until: addDays(TODAY, 28),
  timeZone: ZONE,
  card: [],
  work: null,
  poured: [],
})
const first = { at: eveningOf(TODAY, ZONE) - 1, wishes, routine }
const after = (days: number) => eveningOf(addDays(TODAY, days), ZONE) - 1

describe('evenings that a routine had planned', () => {
  it('count up to the moment asked about and no further', () => {
    expect(plannedPourings([first], after(0), ZONE)).toEqual([])
    expect(plannedPourings([first], after(3), ZONE)).toHaveLength(3)
    expect(plannedPourings([first], after(60), ZONE)).toHaveLength(
      routine.nights.filter(({ id }) => id === 'retinoid').length,
    )
  })
  it('end where the next version begins', () => {
    const none = {
      at: after(2),
      wishes: { ...wishes, nights: [] },
      routine: { ...routine, nights: [] },
    }
    expect(plannedPourings([none, first], after(10), ZONE)).toHaveLength(2)
  })
  it('give way to what the client says was done', () => {
    const poured = plannedPourings([first], after(6), ZONE)
    const startsAt = after(6)
    const { visit } = visitBundle()
    const residual = (answers = visitBundle().answers) =>
      toPlanInput(visitBundle({ poured, answers, visit: { ...visit, startsAt, at: startsAt } }))
        .residual.nose
    const silent = residual({ ...allNo(), retinoid: undefined as never })
    expect(silent).toBeGreaterThan(0)
    expect(residual(allNo())).toBe(0)
  })
})
