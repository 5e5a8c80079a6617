import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { propose } from '#core/planning/answer/propose'
import { REACTED_RULE } from '#core/screening/products/reactions'
import type { ClientFile } from '#contracts/replies/clientFile'
import { toPlanInput } from '#core/visit/planInput'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, prepared, seenOf, someone, tap, treating } from '../support/visit'

let owner: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
  trainee = await signedIn(testUrl(), 'trainee')
})

/** A client who reacted to a product of their first visit here. */
async function reacted() {
  const client = await someone(owner, 'Reacted Test')
  const first = await treating(owner, 'owner', client)
  const bundle = await bundleOf(owner, first)
  const step = bundle.plans
    .find((plan) => plan.version === 1)
    ?.steps.find((one) => one.technique === 'moisturiser')
  if (!step?.productId) throw new Error('no moisturiser was planned')
  const reply = await owner(`/api/visits/${first}/events`, {
    method: 'POST',
    body: {
      events: [
        tap({ kind: 'started' }, Date.now() - 5000),
        tap(
          {
            kind: 'contraAction',
            what: 'burning',
            where: ['cheekL'],
            done: 'rinsed, cold',
            suspected: step.productId,
          },
          Date.now() - 1000,
        ),
      ],
    },
  })
  expect(reply.status).toBe(200)
  return { client, productId: step.productId }
}

describe('what a client reacted to', () => {
  it('is kept off the next plan, refused when put there by hand, and stands in the file', async () => {
    const { client, productId } = await reacted()
    const id = await prepared(owner, 'owner', client)
    const bundle = await bundleOf(owner, id)
    expect(bundle.reactions.map((one) => one.productId)).toEqual([productId])
    const input = toPlanInput(bundle)
    expect(input.suspected[productId]).toMatch(/suspected of the reaction/)
    const { steps } = propose(input)
    expect(steps.map((one) => one.productId)).not.toContain(productId)
    const burning = steps.map((one) =>
      one.technique === 'moisturiser' ? { ...one, productId } : one,
    )
    expect(burning).not.toEqual(steps)
    const refused = await owner(`/api/visits/${id}/plan`, {
      method: 'PUT',
      body: { steps: burning },
    })
    expect(refused.status).toBe(422)
    expect(refused.text).toContain('suspected of the reaction')
    const file = (await owner(`/api/people/${client}`)).body as ClientFile
    expect(file.reactions.map((one) => one.productId)).toEqual([productId])
    const shelf = (await owner('/api/shelf?size=500')).body as {
      items: { product: { id: string }; suspected: number }[]
    }
    const item = shelf.items.find((one) => one.product.id === productId)
    expect(item?.suspected).toBeGreaterThan(0)

    const aside = { id: randomUUID(), rule: REACTED_RULE, word: '', reason: 'it was the steam' }
    const byTrainee = await trainee(`/api/visits/${id}/lifts`, { method: 'POST', body: aside })
    expect(byTrainee.status).toBeGreaterThanOrEqual(400)
    const set = await owner(`/api/visits/${id}/lifts`, { method: 'POST', body: aside })
    expect(set.status).toBe(200)
    expect(toPlanInput(await bundleOf(owner, id)).suspected).toEqual({})
    const body = { steps: burning, seen: await seenOf(owner, id) }
    const kept = await owner(`/api/visits/${id}/plan`, { method: 'PUT', body })
    expect(kept.status).toBe(200)
  })
  it("is one client's and nobody else's", async () => {
    await reacted()
    const other = await prepared(owner, 'owner', await someone(owner, 'Other Test'))
    expect((await bundleOf(owner, other)).reactions).toEqual([])
  })
})
