import { describe, expect, it } from 'vitest'
import { RETESTS } from '../../catalogue/consultation/retests'
import { deriveProfile } from '../../skin/profile'
import { allNo, product, readAll, RESILIENT } from '../../testing/fixtures'
import { patchState, type PatchTest } from '../products/patch'
import { askAgain, type Told } from './retest'

const HOUR = 3_600_000
const told = (at: number, medicines = '', more: Told['answers'] = {}): Told => ({
  at,
  medicines,
  answers: allNo(more),
})
const ILL = [told(100), told(200, '', { fever: { say: 'yes' } }), told(300)]
const NEW = [
  told(100, 'Thyroid tablet'),
  told(200, 'thyroid tablet; Blood thinner'),
  told(300, 'blood thinner'),
]

describe('a patch test is repeated', () => {
  it('after an illness that the first consultation of all names; a medicine named there is not new', () => {
    expect(askAgain([told(100, '', { fever: { say: 'yes' } })])?.at).toBe(100)
    expect(askAgain([told(100, 'thyroid tablet')])).toBeUndefined()
    expect(askAgain([])).toBeUndefined()
  })
  it('after an illness and after a medicine not named before, from the latest of them', () => {
    expect(askAgain(ILL)).toEqual({ at: 200, why: 'an illness since the last test' })
    expect(askAgain([...NEW].reverse())).toEqual({
      at: 200,
      why: 'a new medicine since the last test',
    })
    expect(askAgain([...ILL, told(400, 'iron')])?.at).toBe(400)
  })
  it('not for the medicines named at the first consultation, nor for one that was left off, nor for an unsure answer', () => {
    expect(askAgain([told(100, 'iron')])).toBeUndefined()
    expect(askAgain([told(100, 'iron, zinc'), told(200, 'zinc')])).toBeUndefined()
    expect(askAgain([told(100, '', { fever: { say: 'unsure' } })])).toBeUndefined()
  })
  for (const row of RETESTS)
    it(`${row.id} is missed when it is switched off`, () => {
      const own = row.after === 'illness' ? ILL : NEW
      expect(askAgain(own)?.why).toBe(row.why)
      expect(
        askAgain(
          own,
          RETESTS.filter((retest) => retest !== row),
        ),
      ).toBeUndefined()
    })
  it('makes a clear test due again when it was placed before, and leaves a later one', () => {
    const enzyme = product('enzymeMask', 'papaya', { inci: ['Aqua', 'Papain'] })
    const sensitive = deriveProfile(
      readAll(RESILIENT, { cheekL: { ...RESILIENT, sensitivity: 2 } }),
      40,
    )
    const now = 1000 * HOUR
    const test: PatchTest = {
      id: 't',
      productId: 'papaya',
      place: 'behindEar',
      placedAt: now - 100 * HOUR,
      reads: [{ at: now - 70 * HOUR, result: 'clear' }],
    }
    expect(
      patchState(enzyme, [test], sensitive, true, now, {
        at: now - 50 * HOUR,
        why: 'an illness since the last test',
      }),
    ).toEqual({ kind: 'due', why: 'an illness since the last test' })
    expect(
      patchState(enzyme, [test], sensitive, true, now, {
        at: now - 150 * HOUR,
        why: 'an illness since the last test',
      }).kind,
    ).toBe('clear')
  })
})
