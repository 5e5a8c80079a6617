import { randomUUID } from 'node:crypto'
import { expect, it } from 'vitest'
import type { Earned } from '#contracts/replies/money'
import type { LotHistory, OrderPage, ShelfLot, ShelfPage } from '#contracts/replies/shelf'
import { productsOf } from '#core/record/bottles'
import { readParts } from '#core/visit/record'
import type { Caller } from '../../support/http'
import { bundleOf } from '../../support/visit'
import { must } from './smallHouse'

/** Clients whose sealed records name a batch of a product, each once. */
async function whoseRecordNames(
  call: Caller,
  visits: readonly { id: string; clientId: string }[],
  productId: string,
  code: string,
): Promise<string[]> {
  const had = new Set<string>()
  for (const { id, clientId } of visits) {
    const { treatment } = readParts((await bundleOf(call, id)).record)
    const lines = (treatment?.lines ?? []).filter(({ actualMinutes }) => actualMinutes !== null)
    if (lines.flatMap(productsOf).some((line) => line.id === productId && line.lot === code))
      had.add(clientId)
  }
  return [...had].sort()
}

/**
 * Calls back a bottle under a code of its own.
 * @param treated visits that were treated so far, written up or not
 * @param odd who knows which of them are not written up yet
 */
export async function recallOf(
  call: Caller,
  { id: lotId, productId, code, expires }: ShelfLot,
  treated: readonly { id: string; clientId: string }[],
  odd: { isLeft: (id: string) => boolean },
): Promise<void> {
  const had = await whoseRecordNames(call, treated, productId, code)
  await must(call, 'PUT', '/api/lots', { lotId, code: 'CALLED-BACK', expires })
  const told = (await must(call, 'POST', '/api/recalls', {
    ...{ id: randomUUID(), code: 'called-back', reason: 'maker' },
  })) as { bottles: number; clients: { id: string }[] }
  expect(told.bottles).toBe(1)
  expect(told.clients.length).toBeGreaterThan(3)
  const named = told.clients.map(({ id }) => id)
  expect(named).toEqual(expect.arrayContaining(had))
  // Beside them only those whose record is still to be written.
  const left = treated.filter(({ id }) => odd.isLeft(id)).map(({ clientId }) => clientId)
  expect(named.filter((id) => !had.includes(id) && !left.includes(id))).toEqual([])
}

interface Lived {
  call: Caller
  shelf: () => Promise<ShelfPage>
  /** Months that were lived in, YYYY-MM. */
  months: readonly string[]
}

export function saysOfStock(lived: () => Lived): void {
  it('what the records took is what the bottles lost, and what is left is what can be ordered by', async () => {
    const { call, shelf, months } = lived()
    const { items } = await shelf()
    const taken = new Map<string, number>()
    for (const month of months) {
      const { products } = (await must(call, 'GET', `/api/money/earned?month=${month}`)) as Earned
      for (const { name, takenMl } of products) taken.set(name, (taken.get(name) ?? 0) + takenMl)
    }
    const { lines } = (await must(call, 'GET', '/api/shelf/order')) as OrderPage
    let compared = 0
    for (const { product, lots } of items) {
      const line = lines.find(({ productId }) => productId === product.id)
      const usable = lots.reduce(
        (sum, lot) => sum + (lot.trouble ? 0 : lot.remainingMillilitres),
        0,
      )
      expect(line?.leftMillilitres, product.name).toBeCloseTo(usable, 5)
      // A piece is gone whole, whatever was taken of it.
      if (product.dispenser.kind === 'piece') continue
      let lost = 0
      for (const { id } of lots) {
        const history = (await must(call, 'GET', `/api/movements?lot=${id}`)) as LotHistory
        for (const { kind, millilitres } of history.movements)
          if (kind === 'used' || kind === 'corrected') lost -= millilitres
      }
      // Every line is kept to a hundredth.
      expect(Math.abs(lost - (taken.get(product.name) ?? 0)), product.name).toBeLessThan(
        0.5 + lost * 0.01,
      )
      if (lost > 0) compared++
      if (lost > 0) expect(line?.usesLeft, product.name).not.toBeNull()
    }
    expect(compared).toBeGreaterThan(8)
  })
}
