import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { signedIn, testUrl, type Caller, type Reply } from '../support/http'
import { book, bundleOf, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
let visit: string
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  visit = await book(owner, 'owner', 'other-12')
})

const fieldsOf = (reply: Reply) =>
  (reply.body as { fields: { field: string }[] }).fields.map((field) => field.field)

describe('a write from elsewhere', () => {
  const body = { id: randomUUID(), answers: {}, medicines: '' }
  for (const [name, headers, status] of [
    ['another site', { origin: 'https://elsewhere.example', 'sec-fetch-site': 'cross-site' }, 403],
    ['another origin', { origin: 'http://127.0.0.1:1' }, 403],
    ['a sandboxed page', { origin: 'null' }, 403],
    ['a neighbouring site', { 'sec-fetch-site': 'same-site' }, 403],
    ['a form', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['plain text', { 'content-type': 'text/plain' }, 415],
    ['an upload', { 'content-type': 'multipart/form-data; boundary=x' }, 415],
  ] as const) {
    it(`is refused: ${name}`, async () => {
      const reply = await owner(`/api/visits/${visit}/answers`, { method: 'PUT', body, headers })
      expect(reply.status).toBe(status)
      expect(reply.headers.get('content-type')).toContain('application/problem+json')
    })
  }
  it('is refused without an origin, on every writing route and also when nobody is signed in', async () => {
    for (const path of [
      '/api/session',
      '/api/people',
      '/api/visits',
      `/api/visits/${visit}/events`,
    ])
      expect(
        (
          await fetch(`${base}${path}`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: '{}',
          })
        ).status,
      ).toBe(403)
  })
  it('has changed nothing', async () => {
    expect((await bundleOf(owner, visit)).answered).toBe(false)
  })
})

describe('two at once', () => {
  it('the later edit of an older page is told, and loses nothing of the first', async () => {
    // Shorter than it was booked: a longer one may run into whatever else stands on that day.
    const id = await book(owner, 'owner', 'other-13')
    const { version } = (await bundleOf(owner, id)).visit
    expect(
      (await owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, minutes: 50 } }))
        .status,
    ).toBe(200)
    const late = await owner(`/api/visits/${id}`, {
      method: 'PATCH',
      body: { version, minutes: 40 },
    })
    expect(late.status).toBe(409)
    expect(fieldsOf(late)).toContain('version')
    expect((await bundleOf(owner, id)).visit.minutes).toBe(50)
  })
  it('of eight tablets that make version 2, one does, and the same version sent again is taken as said', async () => {
    const id = await treating(owner, 'owner', 'other-13')
    const steps = (await bundleOf(owner, id)).plans.find((plan) => plan.version === 1)?.steps ?? []
    const different = Array.from({ length: 8 }, (_, i) => ({
      version: 2,
      reason: `tablet ${i}`,
      steps: steps
        .slice(0, steps.length)
        .map((step) => ({ ...step, why: [{ rule: 'by-hand', text: `tablet ${i}` }] })),
    }))
    const replies = await Promise.all(
      different.map((body) => owner(`/api/visits/${id}/versions`, { method: 'POST', body })),
    )
    expect(replies.filter((reply) => reply.status === 200)).toHaveLength(1)
    expect(replies.every((reply) => [200, 409].includes(reply.status))).toBe(true)
    const won = different[replies.findIndex((reply) => reply.status === 200)]
    expect((await owner(`/api/visits/${id}/versions`, { method: 'POST', body: won })).status).toBe(
      200,
    )
  })
})
