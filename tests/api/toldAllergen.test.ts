import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { ingredientsIn } from '#core/catalogue/products/ingredients'
import { allNo } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, someone } from '../support/visit'

let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})

describe('a patch test of what somebody is known to react to', () => {
  it('is refused with the reason, bottle by bottle, and nothing is kept of it', async () => {
    const id = await book(owner, 'owner', await someone(owner, 'Allergic To Honey'))
    const answers = allNo({ allergy: { say: 'yes', substances: ['honey'] } })
    await owner(`/api/visits/${id}/answers`, {
      method: 'PUT',
      body: { id: randomUUID(), answers, medicines: '' },
    })
    const { shelf } = await bundleOf(owner, id)
    const held = shelf.filter(({ product }) => ingredientsIn(product.inci).includes('bee'))
    expect(held.length).toBeGreaterThan(0)
    const place = (productId: string) =>
      owner(`/api/visits/${id}/patch-tests`, {
        method: 'POST',
        body: { id: randomUUID(), productId, place: 'innerElbow' },
      })
    for (const { product } of held) {
      const reply = await place(product.id)
      expect(reply.status, product.id).toBe(422)
      expect(reply.text, product.id).toMatch(/honey|bee/)
    }
    expect((await bundleOf(owner, id)).patchTests).toEqual([])
    // Of the demo's own shelf: bottles of other tests are counted empty or called back.
    const other = shelf.find(({ product }) => product.id === 'milk-lake')
    const reply = await place(other?.product.id ?? '')
    expect(reply.status, reply.text).toBe(200)
  })
  it('nor before anybody was asked what they react to', async () => {
    const id = await book(owner, 'owner', await someone(owner, 'Nobody Asked'))
    const { shelf } = await bundleOf(owner, id)
    const held = shelf.find(({ product }) => ingredientsIn(product.inci).includes('bee'))
    const reply = await owner(`/api/visits/${id}/patch-tests`, {
      method: 'POST',
      body: { id: randomUUID(), productId: held?.product.id, place: 'innerElbow' },
    })
    expect(reply.status).toBe(422)
  })
})
