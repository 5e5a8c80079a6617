import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import postgres from 'postgres'
import { ACCOUNTS } from '../support/accounts'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { book } from '../support/visit'

const base = testUrl()

describe('the session', () => {
  it('is one sealed cookie that no script reads, of this host alone', async () => {
    const reply = await caller(base)('/api/session', {
      method: 'POST',
      body: { email: ACCOUNTS.owner.email, password: ACCOUNTS.owner.password },
    })
    const cookie = reply.headers.getSetCookie().at(-1) ?? ''
    expect(cookie).toMatch(/^__Host-oak=/)
    for (const word of ['HttpOnly', 'Secure', 'SameSite=Strict', 'Path=/'])
      expect(cookie).toContain(word)
    expect(cookie).not.toContain('ilse')
    expect(reply.text).not.toMatch(/hash|password/i)
  })
  it('is refused once tampered with', async () => {
    const response = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { origin: base, 'content-type': 'application/json' },
      body: JSON.stringify({ email: ACCOUNTS.owner.email, password: ACCOUNTS.owner.password }),
    })
    const cookie = (response.headers.getSetCookie().at(-1) ?? '').split(';')[0] ?? ''
    expect((await fetch(`${base}/api/people`, { headers: { cookie } })).status).toBe(200)
    const at = cookie.length - 30
    const bent = `${cookie.slice(0, at)}${cookie[at] === 'a' ? 'b' : 'a'}${cookie.slice(at + 1)}`
    expect((await fetch(`${base}/api/people`, { headers: { cookie: bent } })).status).toBe(401)
  })
  it('ends everywhere at once when revoked', async () => {
    const [tablet, desk] = [await signedIn(base, 'therapist'), await signedIn(base, 'therapist')]
    expect((await tablet('/api/people')).status).toBe(200)
    expect((await desk('/api/session/revoke', { method: 'POST' })).status).toBe(200)
    expect((await tablet('/api/people')).status).toBe(401)
    expect((await desk('/api/people')).status).toBe(401)
  })
  it('locks: nothing but the code is answered, and the code opens it', async () => {
    const call = await signedIn(base, 'owner')
    await call('/api/session/lock', { method: 'POST' })
    for (const path of ['/api/people', '/api/day', '/api/practice', '/api/shelf'])
      expect((await call(path)).status).toBe(423)
    expect((await call('/api/people', { method: 'POST', body: {} })).status).toBe(423)
    expect(
      (await call('/api/session/unlock', { method: 'POST', body: { code: '9999' } })).status,
    ).toBe(401)
    expect((await call('/api/people')).status).toBe(423)
    expect(
      (await call('/api/session/unlock', { method: 'POST', body: { code: ACCOUNTS.owner.code } }))
        .status,
    ).toBe(200)
    expect((await call('/api/people')).status).toBe(200)
  })
  it('a new code needs the password', async () => {
    const call = await signedIn(base, 'owner')
    expect(
      (
        await call('/api/session/code', {
          method: 'PUT',
          body: { code: '2604', password: 'guess' },
        })
      ).status,
    ).toBe(401)
    expect(
      (
        await call('/api/session/code', {
          method: 'PUT',
          body: { code: '2604', password: ACCOUNTS.owner.password },
        })
      ).status,
    ).toBe(200)
  })
  it('answers an unknown address and a wrong password with the same words, and counts the tries in the database', async () => {
    const one = await caller(base)('/api/session', {
      method: 'POST',
      body: { email: 'nobody@oakbasin.example', password: 'x' },
    })
    const two = await caller(base)('/api/session', {
      method: 'POST',
      body: { email: ACCOUNTS.trainee.email, password: 'x' },
    })
    expect([one.status, two.status]).toEqual([401, 401])
    expect(one.text).toBe(two.text)
    const sql = postgres(process.env.OAK_TEST_OWNER_DB ?? '')
    const rows = await sql`select key_hash from login_attempts`
    await sql.end()
    expect(rows.length).toBeGreaterThanOrEqual(2)
    expect(JSON.stringify(rows)).not.toContain('nobody@')
  })
  it('is throttled after eight wrong tries, the right password included, and for that address alone', async () => {
    const email = `guessed-${randomUUID().slice(0, 8)}@oakbasin.example`
    const tries = []
    for (let i = 0; i < 9; i++)
      tries.push(
        (
          await caller(base)('/api/session', {
            method: 'POST',
            body: { email, password: `guess ${i}` },
          })
        ).status,
      )
    expect(tries.slice(0, 8).every((status) => status === 401)).toBe(true)
    expect(tries[8]).toBe(429)
    expect(
      (
        await caller(base)('/api/session', {
          method: 'POST',
          body: { email: ACCOUNTS.owner.email, password: ACCOUNTS.owner.password },
        })
      ).status,
    ).toBe(200)
  })
})

describe('an account that is closed', () => {
  it('ends at the next request, and in a stream at the next word', async () => {
    const sql = postgres(process.env.OAK_TEST_OWNER_DB ?? '')
    const owner = await signedIn(base, 'owner')
    const trainee = await signedIn(base, 'trainee')
    const id = await book(owner, 'trainee', 'other-28')
    expect((await trainee(`/api/visits/${id}`)).status).toBe(200)
    try {
      await sql`update staff set active = false where email = ${ACCOUNTS.trainee.email}`
      expect((await trainee(`/api/visits/${id}`)).status).toBe(401)
      expect(
        (
          await caller(base)('/api/session', {
            method: 'POST',
            body: { email: ACCOUNTS.trainee.email, password: ACCOUNTS.trainee.password },
          })
        ).status,
      ).toBe(401)
    } finally {
      await sql`update staff set active = true where email = ${ACCOUNTS.trainee.email}`
      await sql.end()
    }
  })
})

describe('every page', () => {
  let call: Caller
  beforeAll(async () => {
    call = await signedIn(base, 'owner')
  })
  for (const path of ['/sign-in', '/', '/people', '/api/people', '/api/health']) {
    it(`${path} carries the headers and names no other host`, async () => {
      const reply = await call(path)
      const policy = reply.headers.get('content-security-policy') ?? ''
      expect(policy).toContain("default-src 'self'")
      expect(policy).toContain("frame-ancestors 'none'")
      expect(policy).not.toMatch(/https?:|\*|unsafe-eval/)
      expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/)
      expect(reply.headers.get('x-content-type-options')).toBe('nosniff')
      expect(reply.headers.get('referrer-policy')).toBe('no-referrer')
      if (path.startsWith('/api/'))
        expect(path === '/api/health' || reply.headers.get('cache-control') === 'no-store').toBe(
          true,
        )
      const elsewhere = [
        ...reply.text.matchAll(/(?:src|href|action)="(https?:)?\/\/([^"/]+)/g),
      ].map((other) => other[2])
      expect(elsewhere).toEqual([])
    })
  }
  it('health and readiness say so to anyone', async () => {
    expect((await caller(base)('/api/health')).status).toBe(200)
    expect((await caller(base)('/api/ready')).body).toEqual({ ready: true })
  })
  it('an unknown page or route is a calm 404', async () => {
    expect((await call('/api/nothing-here')).status).toBe(404)
    expect((await call('/nothing-here')).status).toBe(404)
  })
})
