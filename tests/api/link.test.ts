import { randomBytes, randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { allNo } from '#core/testing/fixtures'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, treating } from '../support/visit'

const base = testUrl()
const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2 })
const client = caller(base)
let owner: Caller
let visit: string
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
beforeEach(async () => {
  await db`delete from login_attempts`
  visit = await book(owner, 'owner', 'other-11')
})
afterAll(async () => {
  await db`delete from login_attempts`
  await db.end()
})

const make = async (id = visit) =>
  (await owner(`/api/visits/${id}/link`, { method: 'POST', body: { id: randomUUID() } })).body as {
    token: string
    expiresAt: number
  }
const open = (token: string) => client('/api/form/open', { method: 'POST', body: { token } })
const submit = (token: string, answers: object = allNo()) =>
  client('/api/form/submit', {
    method: 'POST',
    body: { token, answers, medicines: 'iron tablets' },
  })

describe('a one-time link', () => {
  it('shows the house and nothing of the file, and opening it does not use it up', async () => {
    const { token } = await make()
    for (let i = 0; i < 3; i++) {
      const reply = await open(token)
      expect(reply.status).toBe(200)
      expect(Object.keys(reply.body as object).sort()).toEqual(['expiresAt', 'practice', 'today'])
      const bundle = await bundleOf(owner, visit)
      for (const word of [bundle.client.name, bundle.staff.name, bundle.client.id, visit])
        expect(reply.text).not.toContain(word)
      expect(reply.headers.get('cache-control')).toBe('no-store')
      expect(reply.headers.get('referrer-policy')).toBe('no-referrer')
    }
  })
  it('is used by submitting, once, and waits for a therapist to take it line by line', async () => {
    const { token } = await make()
    expect((await submit(token, allNo({ asthma: { say: 'yes' } }))).status).toBe(200)
    const bundle = await bundleOf(owner, visit)
    expect(bundle.answered).toBe(false)
    expect(bundle.fromClient?.answers.asthma).toEqual({ say: 'yes' })
    expect(bundle.fromClient?.medicines).toBe('iron tablets')
    expect((await submit(token)).status).toBe(404)
    expect((await open(token)).status).toBe(404)
    expect((await bundleOf(owner, visit)).fromClient?.answers.asthma).toEqual({ say: 'yes' })
  })
  it('of two devices that send at once, one is taken', async () => {
    const { token } = await make()
    const replies = await Promise.all(Array.from({ length: 6 }, () => submit(token)))
    expect(replies.filter((reply) => reply.status === 200)).toHaveLength(1)
  })
  it('says the same of a guessed, an old and a replaced link, of a used one that it was sent, and nothing of what was typed', async () => {
    const used = (await make()).token
    await submit(used, allNo({ epilepsy: { say: 'yes' } }))
    const replaced = (await make(await book(owner, 'owner', 'other-11'))).token
    const other = await book(owner, 'owner', 'other-11')
    const first = (await make(other)).token
    const old = (await make(other)).token
    await db`update client_links set expires_at = now() - interval '1 minute' where visit_id = ${other}`
    await db`update client_links set expires_at = now() where token_hash <> '' and submitted_at is null`
    expect((await open(used)).text).toContain('sent already')
    expect((await open(used)).text).not.toMatch(/epilepsy|iron/)
    const replies = [
      await open(replaced),
      await open(first),
      await open(old),
      await open(randomBytes(32).toString('base64url')),
    ]
    for (const reply of replies) {
      expect(reply.status).toBe(404)
      expect(reply.text).toBe(replies[0]?.text)
      expect(reply.text).not.toMatch(/epilepsy|iron/)
    }
  })
  it('a new link ends the one before', async () => {
    const first = (await make()).token
    const second = (await make()).token
    expect((await open(first)).status).toBe(404)
    expect((await open(second)).status).toBe(200)
  })
  it('ends when the treatment begins, and none is made then', async () => {
    const id = await treating(owner, 'owner', 'other-11')
    expect(
      (await owner(`/api/visits/${id}/link`, { method: 'POST', body: { id: randomUUID() } }))
        .status,
    ).toBe(422)
  })
  it('is stored as a hash alone', async () => {
    const { token } = await make()
    expect(token).toMatch(/^[\w-]{43}$/) // 256 bits
    expect(JSON.stringify(await db`select * from client_links`)).not.toContain(token)
  })
  it('refuses what is no link and what is no answer, with the field', async () => {
    const { token } = await make()
    for (const bad of ['', 'short', `${token}x`, token.replace(/./, '!')])
      expect((await open(bad)).status).toBe(400)
    const reply = await submit(token, { asthma: { say: 'perhaps' } })
    expect(reply.status).toBe(400)
    expect((reply.body as { fields: { field: string }[] }).fields[0]?.field).toBe(
      'answers.asthma.say',
    )
    expect((await open(token)).status).toBe(200)
  })
  it('is throttled after ten guesses', async () => {
    for (let i = 0; i < 10; i++)
      expect((await open(randomBytes(32).toString('base64url'))).status).toBe(404)
    expect((await open(randomBytes(32).toString('base64url'))).status).toBe(429)
  })
})
