import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/replies/clientFile'
import { DateTime } from 'luxon'
import { toPlanInput } from '#core/visit/planInput'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, sealedVisit, someone } from '../support/visit'

let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})

describe('nothing is chosen for somebody whom nobody has asked', () => {
  it('a booked visit is for nothing yet, and nobody knows what is worn', async () => {
    const { visit } = await bundleOf(owner, await book(owner, 'owner', await someone(owner)))
    expect(visit.aims).toEqual([])
    expect(visit.named).toEqual([])
    expect(visit.makeUp).toBeNull()
    const input = toPlanInput(await bundleOf(owner, visit.id))
    expect(input.aims).toEqual([])
    expect(input.named ?? []).toEqual([])
  })
  it('nor is the next visit that is booked after one that was asked', async () => {
    const client = await someone(owner, 'Asked Once')
    const id = await sealedVisit(owner, 'owner', client)
    const { visit } = await bundleOf(owner, id)
    expect(visit.aims.length).toBeGreaterThan(0)
    const next = DateTime.utc().plus({ days: 300 }).startOf('hour').set({ hour: 15 })
    const reply = await owner(`/api/visits/${id}`, {
      method: 'PATCH',
      body: {
        version: visit.version,
        nextVisitAt: next.toISO(),
        allowedBecause: `for this test, ${randomUUID()}`,
      },
    })
    expect(reply.status, reply.text).toBe(200)
    const file = (await owner(`/api/people/${client}`)).body as ClientFile
    const booked = file.visits.visits.find(({ status }) => status === 'booked')
    const after = await bundleOf(owner, booked?.id ?? '')
    expect(after.visit.aims).toEqual([])
    expect(after.visit.makeUp).toBeNull()
  })
})
