import { beforeAll, describe, expect, it } from 'vitest'
import { signedIn, testUrl, type Caller, type Reply } from '../support/http'
import { book } from '../support/visit'

import { BAD_INPUT, person } from './badInputRows'

const base = testUrl()
let owner: Caller
let visit: string
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  visit = await book(owner, 'owner', 'other-12')
})

const fieldsOf = (reply: Reply) =>
  (reply.body as { fields: { field: string }[] }).fields.map((field) => field.field)

describe('what cannot be right is refused, with the field named', () => {
  for (const [name, method, path, body, field] of BAD_INPUT) {
    it(name, async () => {
      const reply = await owner(path.startsWith('/') ? path : `/api/visits/${visit}/${path}`, {
        method,
        body: body(),
      })
      expect([400, 422]).toContain(reply.status)
      expect(
        fieldsOf(reply).some((other) => other === field || other.startsWith(`${field}.`)),
        `${field} in ${JSON.stringify(reply.body)}`,
      ).toBe(true)
    })
  }
  it('garbage of every kind is a refusal, never a crash', async () => {
    for (const raw of [
      '',
      '{',
      '[]',
      'null',
      '"x"',
      '1e999',
      '{"id":',
      '\u0000',
      '{"__proto__":{"a":1}}',
      '['.repeat(5000),
      'é'.repeat(100),
    ]) {
      for (const [method, path] of [
        ['POST', '/api/people'],
        ['POST', `/api/visits/${visit}/events`],
        ['PUT', `/api/visits/${visit}/plan`],
        ['POST', '/api/session'],
      ] as const) {
        const reply = await owner(path, { method, raw })
        expect(reply.status, `${path} ${raw.slice(0, 20)}`).toBeGreaterThanOrEqual(400)
        expect(reply.status).toBeLessThan(500)
      }
    }
  })
  it('a body without end is cut off', async () => {
    expect(
      (
        await owner(`/api/visits/${visit}/plan`, {
          method: 'PUT',
          raw: `{"steps":"${'x'.repeat(500_000)}"}`,
        })
      ).status,
    ).toBe(413)
  })
  it('never repeats a whole page back', async () => {
    const reply = await owner('/api/people', {
      method: 'POST',
      body: { ...person, name: 'y'.repeat(5000) },
    })
    expect(reply.text.length).toBeLessThan(1000)
  })
  it('a day that is none', async () => {
    expect((await owner('/api/day?date=yesterday')).status).toBe(400)
  })
})
