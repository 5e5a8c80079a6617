import postgres from 'postgres'
import { afterEach, beforeAll, describe, expect, it, afterAll } from 'vitest'
import type { AuditPage } from '#contracts/replies/audit'
import { ACCOUNTS } from '../support/accounts'
import { caller, signedIn, testUrl, type Reply } from '../support/http'
import { someone, treating } from '../support/visit'

const base = testUrl()
const ownerDb = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2, onnotice: () => {} })
const forget = () => ownerDb`delete from login_attempts`
beforeAll(forget)
afterEach(forget)
afterAll(() => ownerDb.end())

/** Turned away unheard: too many tries, or a house too busy to count one more just then. */
const UNHEARD: readonly number[] = [429, 503]
const passed = (replies: Reply[]) =>
  replies.filter(({ status }) => !UNHEARD.includes(status)).length
const signsIn = (email: string, password: string, headers: Record<string, string> = {}) =>
  caller(base)('/api/session', { method: 'POST', body: { email, password }, headers })

/** The cookie of a session, as somebody who copied it would hold it. */
async function cookieOf(who: keyof typeof ACCOUNTS): Promise<string> {
  const { email, password } = ACCOUNTS[who]
  const reply = await signsIn(email, password)
  return (reply.headers.getSetCookie().at(-1) ?? '').split(';')[0] ?? ''
}
const asks = (cookie: string, path: string, method = 'GET') =>
  fetch(`${base}${path}`, {
    method,
    headers: { cookie, origin: base, 'content-type': 'application/json' },
    ...(method === 'GET' ? {} : { body: '{}' }),
  })

describe('tries are counted before they are judged', () => {
  it('eighty passwords at once are no more than eight', async () => {
    const replies = await Promise.all(
      Array.from({ length: 80 }, (_, at) => signsIn(ACCOUNTS.trainee.email, `wrong number ${at}`)),
    )
    expect(passed(replies)).toBeLessThanOrEqual(8)
    expect(replies.every(({ status }) => status === 401 || UNHEARD.includes(status))).toBe(true)
  })
  it('three hundred quick codes at once are no more than five', async () => {
    const call = await signedIn(base, 'therapist')
    await call('/api/session/lock', { method: 'POST' })
    const replies = await Promise.all(
      Array.from({ length: 300 }, (_, at) =>
        call('/api/session/unlock', { method: 'POST', body: { code: String(1000 + at) } }),
      ),
    )
    expect(passed(replies)).toBeLessThanOrEqual(5)
    expect((await call('/api/people')).status).toBe(423)
  })
  it('sixty guessed links at once are no more than ten', async () => {
    const replies = await Promise.all(
      Array.from({ length: 60 }, (_, at) =>
        caller(base)('/api/join/open', {
          method: 'POST',
          body: { token: String(at).padStart(43, 'x') },
        }),
      ),
    )
    expect(passed(replies)).toBeLessThanOrEqual(10)
  })
  it('a stranger who has used the tries up does not shut a known device out', async () => {
    const { email, password } = ACCOUNTS.owner
    const first = await signsIn(email, password)
    const known = first.headers
      .getSetCookie()
      .map((cookie) => cookie.split(';')[0] ?? '')
      .find((cookie) => cookie.startsWith('__Host-oak-known='))
    expect(known).toBeDefined()
    for (let at = 0; at < 12; at++) await signsIn(email, `not it ${at}`)
    expect((await signsIn(email, password)).status).toBe(429)
    expect((await signsIn(email, password, { cookie: known ?? '' })).status).toBe(200)
  })
  it('an address that somebody claims is not believed without a configured proxy', async () => {
    const replies = await Promise.all(
      Array.from({ length: 20 }, (_, at) =>
        signsIn(ACCOUNTS.trainee.email, 'wrong again', { 'x-forwarded-for': `192.0.2.${at}` }),
      ),
    )
    expect(passed(replies)).toBeLessThanOrEqual(8)
  })
})

describe('the audit', () => {
  it('says who came in, who was refused and who locked, page by page and narrowed', async () => {
    const call = await signedIn(base, 'owner')
    await signsIn(ACCOUNTS.therapist.email, 'not the password')
    await call('/api/session/lock', { method: 'POST' })
    const { code } = ACCOUNTS.owner
    await call('/api/session/unlock', { method: 'POST', body: { code: '0000' } })
    await call('/api/session/unlock', { method: 'POST', body: { code } })
    const page = async (query: string) => (await call(`/api/audit?${query}`)).body as AuditPage
    const actions = (await page('what=session')).lines.map(
      ({ action, allowed }) => `${action} ${allowed ? 'done' : 'refused'}`,
    )
    for (const line of [
      'session.in done',
      'session.in refused',
      'session.lock done',
      'session.unlock refused',
    ])
      expect(actions).toContain(line)
    // More than one page of it, whichever tests went before.
    for (let lines = (await page('')).lines.length; lines < 60; lines += 2) {
      await call('/api/session/lock', { method: 'POST' })
      await call('/api/session/unlock', { method: 'POST', body: { code } })
    }
    await call('/api/session/lock', { method: 'POST' })
    await call('/api/session/unlock', { method: 'POST', body: { code } })
    const first = await page('')
    expect(first.lines).toHaveLength(60)
    const second = await page(`before=${first.next}`)
    // Newest first by the moment; of one moment the later written first. Nothing is on two pages.
    const both = [...first.lines, ...second.lines]
    const moments = both.map(({ at }) => at)
    expect(moments).toEqual([...moments].sort((one, other) => other - one))
    expect(new Set(both.map(({ id }) => id)).size).toBe(both.length)
    expect((await page('refused=yes')).lines.every(({ allowed }) => !allowed)).toBe(true)
    const tomas = first.people.find(({ name }) => name === ACCOUNTS.therapist.name)
    const his = (await page(`staffId=${tomas?.id}`)).lines
    expect(new Set(his.map(({ staff }) => staff))).toEqual(new Set([ACCOUNTS.therapist.name]))
  })
})

describe('what is not undone', () => {
  it('asks for the password once more: erasing, and the whole house as a file', async () => {
    const call = await signedIn(base, 'owner')
    const id = await someone(call, 'Stays Here')
    for (const path of [`/api/people/${id}/erase`, '/api/clients/export']) {
      expect((await call(path, { method: 'POST' })).status).toBe(400)
      const wrong = await call(path, { method: 'POST', body: { password: 'not it at all' } })
      expect(wrong.status).toBe(401)
      expect(wrong.text).not.toContain('Stays Here')
    }
    const sure = { password: ACCOUNTS.owner.password }
    const file = await call('/api/clients/export', { method: 'POST', body: sure })
    expect(file.text).toContain('Stays Here')
    const erased = await call(`/api/people/${id}/erase`, { method: 'POST', body: sure })
    expect(erased.status).toBe(200)
    expect((await call(`/api/people/${id}`)).status).toBe(410)
  })
})

describe('lock and sign-out end the session in the house', () => {
  it('a copied cookie opens nothing after sign-out', async () => {
    const cookie = await cookieOf('owner')
    expect((await asks(cookie, '/api/people')).status).toBe(200)
    await asks(cookie, '/api/session', 'DELETE')
    expect((await asks(cookie, '/api/people')).status).toBe(401)
  })
  it('an older copy of the cookie is locked too, and a reply under way opens nothing', async () => {
    const cookie = await cookieOf('owner')
    const underWay = Array.from({ length: 10 }, () => asks(cookie, '/api/shelf'))
    await asks(cookie, '/api/session/lock', 'POST')
    await Promise.all(underWay)
    for (let tries = 0; tries < 3; tries++)
      expect((await asks(cookie, '/api/people')).status).toBe(423)
  })
  it('a stream says no further word after sign-out', async () => {
    const call = await signedIn(base, 'owner')
    const id = await treating(call, 'owner', 'other-24')
    const cookie = await cookieOf('owner')
    const stream = await fetch(`${base}/api/visits/${id}/stream`, { headers: { cookie } })
    const reader = stream.body?.getReader()
    await reader?.read()
    await asks(cookie, '/api/session', 'DELETE')
    await call(`/api/visits/${id}/events`, { method: 'POST', body: { events: [] } })
    const heard: string[] = []
    const until = Date.now() + 30_000
    for (;;) {
      const word = await reader?.read()
      if (!word || word.done || Date.now() > until) break
      heard.push(new TextDecoder().decode(word.value))
    }
    expect(heard.join('')).not.toContain('taps')
  }, 60_000)
})
