import { describe, expect, it } from 'vitest'
import { plannedAlong } from '../../planning/today/alongside'
import { lot, planInput, product, TODAY } from '../../testing/fixtures'
import { roomOf } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { recalledNow } from './recalled'

const step = usualStep('oilCleanse', { productId: 'oil' })
const bottle = (
  kind: 'cleansingOil' | 'emulsifier',
  id: string,
  ...codes: [string, boolean][]
) => ({
  product: product(kind, id),
  lots: codes.map(([code, recalled]) => lot(id, { id: code, code, recalled })),
})
const said = (shelf: ReturnType<typeof bottle>[]) => {
  const input = planInput({ shelf })
  return recalledNow(roomOf([step], []), step, shelf, TODAY, plannedAlong(step, input))
}
const oil = bottle('cleansingOil', 'oil', ['O1', false])

describe('a bottle that was called back', () => {
  it('is said before its step, with the batch to take instead where one stands there', () => {
    expect(said([oil, bottle('emulsifier', 'emu', ['E1', false])])).toEqual([])
    expect(said([bottle('cleansingOil', 'oil', ['O1', true], ['O2', false])])).toEqual([
      'oil: batch O1 is recalled. Take batch O2.',
    ])
    expect(said([bottle('cleansingOil', 'oil', ['O1', true])])).toEqual([
      'oil: batch O1 is recalled. Do not use it.',
    ])
  })
  it('is said of what the step takes beside its own as well', () => {
    expect(said([oil, bottle('emulsifier', 'emu', ['E1', true])])).toEqual([
      'emu: batch E1 is recalled. Do not use it.',
    ])
    expect(said([oil, bottle('emulsifier', 'emu', ['E1', true], ['E2', false])])).toEqual([
      'emu: batch E1 is recalled. Take batch E2.',
    ])
  })
})
