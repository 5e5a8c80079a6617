import { beforeAll, describe, expect, it } from 'vitest'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, someone, treating } from '../support/visit'

interface Row {
  id: string
  last: string | null
  next: string | null
}
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})
const rowOf = async (id: string) =>
  ((await owner('/api/people')).body as Row[]).find((r) => r.id === id)

describe('the list of people', () => {
  it('counts a visit as the last one once it has begun, not when it is only booked', async () => {
    const client = await someone(owner, 'Aalto Listed')
    expect(await rowOf(client)).toMatchObject({ last: null, next: null })
    await book(owner, 'owner', client)
    expect(await rowOf(client)).toMatchObject({
      last: null,
      next: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as string,
    })
    await treating(owner, 'owner', client)
    expect((await rowOf(client))?.last).toMatch(/^\d{4}-\d\d-\d\d$/)
  })
})
