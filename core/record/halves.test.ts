import { describe, expect, it } from 'vitest'
import { costOf, sumOf } from '../cost/visitCost'
import { GROUPS } from '../face/regions'
import { lot, planInput, product, TODAY } from '../testing/fixtures'
import { trayFor } from '../tray/tray'
import { usualStep } from '../testing/steps'
import { withHalves, type OpenHalf } from '../visit/halves'
import { bottleInHand } from '../planning/today/bottles'
import { drawnFor } from './bottles'

const VIAL = { kind: 'piece' as const, millilitres: 2 }
const ampoule = product('ampoule', 'amp', {
  dispenser: VIAL,
  priceCents: 2000,
  packMillilitres: 20,
})
const NOON = Date.parse(`${TODAY}T12:00:00Z`)
const half: OpenHalf = {
  id: 'h1',
  productId: 'amp',
  code: 'A7',
  expires: '2027-01-01',
  millilitres: 1,
  openedOn: '2026-03-09',
  until: NOON,
  visitId: 'yesterday',
}
const shelf = [{ product: ampoule, lots: [lot('amp', { code: 'A7', openedOn: '2026-03-01' })] }]
const lotsAt = (at: number, visitId = 'today', halves = [half]) =>
  withHalves(shelf, halves, { id: visitId, at })[0]?.lots ?? []

describe('the other half of an ampoule', () => {
  it('is taken first the next morning, and is none once its time is over', () => {
    const inHand = (at: number) => bottleInHand(ampoule, lotsAt(at), TODAY, 1)
    expect(inHand(NOON - 1)?.half).toEqual({ id: 'h1', until: NOON })
    expect(inHand(NOON)?.half).toBeUndefined()
    expect(inHand(NOON)?.code).toBe('A7')
  })
  it('of the visit itself is not its own other half, and a recalled batch recalls it', () => {
    expect(lotsAt(NOON - 1, 'yesterday')).toHaveLength(1)
    const called = [{ product: ampoule, lots: [lot('amp', { code: 'A7', recalled: true })] }]
    const [, own] = withHalves(called, [half], { id: 'today', at: NOON - 1 })[0]?.lots ?? []
    expect(own?.recalled).toBe(true)
  })
  it('two halves are two doses: the piece is drawn once, and paid once', () => {
    expect(drawnFor(ampoule, { millilitres: 1 })).toBe(2)
    expect(drawnFor(ampoule, { millilitres: 1, half: true })).toBe(0)
    // More than the half: what is beyond it opens a new piece.
    expect(drawnFor(ampoule, { millilitres: 1.5, half: true })).toBe(2)
    const paid = (own: { millilitres: number; half?: boolean }) =>
      sumOf(
        costOf({
          poured: [{ product: ampoule, ...own }],
          ...{ linen: [], devices: [], minutes: 60, costs: {} },
        }),
      )
    expect(paid({ millilitres: 1 }) + paid({ millilitres: 1, half: true })).toBe(200)
  })
  it('stands on the tray as what it is, with its time', () => {
    const step = usualStep('ampoule', { productId: 'amp', regions: GROUPS.cheeks })
    const on = (at: number) =>
      trayFor(planInput({ shelf: withHalves(shelf, [half], { id: 'today', at }) }), [step])
        .products[0]
    expect(on(NOON - 1)).toMatchObject({ half: NOON, lot: 'A7', amount: { words: '½ piece' } })
    expect(on(NOON)).toMatchObject({ half: null })
  })
})
