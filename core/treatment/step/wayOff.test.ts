import { describe, expect, it } from 'vitest'
import {
  REMOVAL_WAYS,
  WAY_OFF_IDS,
  WAYS_OFF,
  waysOffFor,
} from '../../catalogue/techniques/removalWays'
import { product } from '../../testing/fixtures'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { at, done, roomOf } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { removalOf } from '../../timing/removal'
import { wayOff } from './wayOff'

const wiped = TECHNIQUE_IDS.filter(
  (id) =>
    TECHNIQUES[id].dwell && TECHNIQUES[id].leaves.film === 'mask' && removalOf(id) === 'maskOff',
)

describe('how a mask comes off', () => {
  it.each(wiped)('of %s: what first, which water, how many wipes; no more once it is off', (id) => {
    const mask = usualStep(id)
    const off = usualStep('maskOff')
    const steps = [mask, off]
    const on = roomOf(steps, [[1, done(mask)]])
    expect(wayOff(on, steps, off, at(2))[0]).toMatch(/(cool|lukewarm) water, .* ?wipes?\.$/)
    expect(wayOff(on, steps, usualStep('tone'), at(2))).toEqual([])
    const gone = roomOf(steps, [
      [1, done(mask)],
      [30, done(off)],
    ])
    expect(wayOff(gone, steps, off, at(31))).toEqual([])
  })
  it('has a row for each of them and none that nothing uses', () => {
    const kinds = wiped.map((id) => TECHNIQUES[id].product)
    expect(REMOVAL_WAYS.map(({ kind }) => kind).sort()).toEqual([...new Set(kinds)].sort())
    for (const { wipes } of REMOVAL_WAYS) expect(wipes[0]).toBeLessThanOrEqual(wipes[1])
  })
  it('takes longer under water once a clay has dried; what never dries is lifted as ever', () => {
    const clay = usualStep('clay')
    const cream = usualStep('creamMask')
    const off = usualStep('maskOff')
    const steps = [clay, cream, off]
    const on = roomOf(steps, [
      [1, done(clay)],
      [2, done(cream)],
    ])
    const [late, calm] = wayOff(on, steps, off, at(59))
    expect(late).toContain('dry by now')
    expect(calm).toContain('lift off')
    expect(wayOff(on, steps, off, at(5))[0]).toContain('until it darkens')
  })
})

describe('what a label says of its way off', () => {
  const said = (way?: 'rinse' | 'wipe' | 'massageIn') => {
    const mask = usualStep('creamMask')
    const off = usualStep('maskOff')
    const own = product('creamMask', 'creamMask', way ? { wayOff: way } : {})
    const on = roomOf([mask, off], [[1, done(mask)]])
    return wayOff(on, [mask, off], off, at(2), [{ product: own, lots: [] }])
  }
  it('goes before what is usual for its kind; what is rinsed keeps the words of its kind', () => {
    expect(said('wipe')).toEqual([expect.stringContaining('with a soft tissue; no water')])
    expect(said('massageIn')).toEqual([expect.stringContaining('massage in what is left')])
    expect(said('rinse')).toEqual(said())
    expect(said()[0]).toContain('lukewarm water')
  })
  it('every way stands for a kind that has it, and none else', () => {
    for (const id of WAY_OFF_IDS) expect(WAYS_OFF[id].kinds.length).toBeGreaterThan(0)
    expect(waysOffFor('acidMask')).toEqual(['rinse'])
    expect(waysOffFor('creamMask')).toEqual(['rinse', 'wipe', 'massageIn'])
    expect(waysOffFor('serum')).toEqual([])
  })
})
