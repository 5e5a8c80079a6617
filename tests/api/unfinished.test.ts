import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import postgres from 'postgres'
import type { DayPage } from '#contracts/replies/day'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, countersigned, prepared, someone, treating } from '../support/visit'

const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 1, onnotice: () => {} })
let owner: Caller
let therapist: Caller
let trainee: Caller
beforeAll(async () => {
  ;[owner, therapist, trainee] = await Promise.all([
    signedIn(testUrl(), 'owner'),
    signedIn(testUrl(), 'therapist'),
    signedIn(testUrl(), 'trainee'),
  ])
})
afterAll(() => app.end())
const dueTo = async (call: Caller, client: string) =>
  ((await call('/api/day')).body as DayPage).dues
    .filter(({ title }) => title.includes(client))
    .map(({ title }) => title)

describe('what waits for a hand is due on Day', () => {
  it("a trainee's plan until it is signed: to seniors as theirs to sign, to the trainee as waiting", async () => {
    const name = 'Waits For Ink'
    const id = await prepared(owner, 'trainee', await someone(owner, name))
    expect(await dueTo(owner, name)).toEqual([`Sign the plan for ${name}`])
    expect(await dueTo(therapist, name)).toEqual([`Sign the plan for ${name}`])
    expect(await dueTo(trainee, name)).toEqual([`${name}: your plan is not signed yet`])
    expect((await countersigned(owner, id)).status).toBe(200)
    for (const call of [owner, therapist, trainee]) expect(await dueTo(call, name)).toEqual([])
    // What was signed has become something else: it waits again.
    const { version } = (await bundleOf(owner, id)).visit
    const body = { version, evening: true }
    expect((await trainee(`/api/visits/${id}`, { method: 'PATCH', body })).status).toBe(200)
    expect(await dueTo(owner, name)).toEqual([`Sign the plan for ${name}`])
  })
  it('a treatment of days ago that was never ended or sealed, to its therapist and the owner', async () => {
    const name = 'Left Unsealed'
    const id = await treating(owner, 'owner', await someone(owner, name))
    expect(await dueTo(owner, name), 'of today the card says so').toEqual([])
    await app`update visits set starts_at = now() - interval '403 days' where id = ${id}`
    expect(await dueTo(owner, name)).toEqual([`${name}: the treatment was never ended`])
    expect(await dueTo(therapist, name)).toEqual([])
    await app`update visits set status = 'closing' where id = ${id}`
    expect(await dueTo(owner, name)).toEqual([`${name}: the record is not sealed`])
  })
})
