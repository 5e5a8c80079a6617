import { describe, expect, it } from 'vitest'
import { TECHNIQUE_IDS, type TechniqueId } from '../../catalogue/techniques/techniques'
import { usualStep } from '../../testing/steps'
import { attendedNow, beforeHold, stayWords } from './attended'
import { emptyRoom } from './roomState'

/** Never left alone with it: common practice. */
const NEVER_ALONE: readonly TechniqueId[] = ['steam', 'salonPeel']

describe('what nobody is left alone under', () => {
  it.each(TECHNIQUE_IDS)('at hand: %s', (id) => {
    const step = usualStep(id)
    const attended = attendedNow(emptyRoom(), [step], step)
    expect(attended.length > 0).toBe(NEVER_ALONE.includes(id))
    expect(stayWords(attended) !== '').toBe(NEVER_ALONE.includes(id))
    expect(beforeHold(attended) !== '').toBe(NEVER_ALONE.includes(id))
  })
  it('rests on, until it is off', () => {
    const peel = usualStep('salonPeel')
    const hands = usualStep('stay')
    const rest = {
      key: peel.key,
      regions: peel.regions,
      since: 0,
      earliest: 1,
      latest: 3,
      late: 'removeNow' as const,
    }
    const on = { ...emptyRoom(), resting: [rest] }
    expect(attendedNow(on, [peel, hands], hands)).toEqual([peel])
    const off = { ...on, resting: [{ ...rest, endedAt: 60_000 }] }
    expect(attendedNow(off, [peel, hands], hands)).toEqual([])
  })
})
