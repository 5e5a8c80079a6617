import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { allNo } from '#core/testing/fixtures'
import { demoId } from '#db/demo/ids'
import { signedIn, testUrl, type Caller, type Reply } from '../support/http'
import { book, bundleOf, ROOM, STAFF, tap, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
let visit: string
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  visit = await book(owner, 'owner', 'other-12')
})

const fieldsOf = (r: Reply) =>
  (r.body as { fields: { field: string }[] }).fields.map((f) => f.field)

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
      const r = await owner(`/api/visits/${visit}/answers`, { method: 'PUT', body, headers })
      expect(r.status).toBe(status)
      expect(r.headers.get('content-type')).toContain('application/problem+json')
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

describe('what cannot be right is refused, with the field named', () => {
  const person = {
    id: randomUUID(),
    name: 'Ok',
    born: '',
    phone: '',
    email: '',
    work: '',
    medicines: '',
    notes: '',
    faceHeightMm: 190,
    faceWidthMm: 140,
  }
  const booking = {
    id: randomUUID(),
    clientId: demoId('other-12'),
    staffId: STAFF.owner,
    roomId: ROOM,
    startsAt: '2031-02-02T10:00:00Z',
    minutes: 60,
  }
  const step = { key: 'steam-1', technique: 'steam', regions: ['forehead'], minutes: 5, why: [] }
  const cases: [string, string, string, () => unknown, string][] = [
    ['no name', 'POST', '/api/people', () => ({ ...person, name: '' }), 'name'],
    ['a name of spaces', 'POST', '/api/people', () => ({ ...person, name: '   ' }), 'name'],
    [
      'an over-long name',
      'POST',
      '/api/people',
      () => ({ ...person, name: 'x'.repeat(121) }),
      'name',
    ],
    ['a name that is a number', 'POST', '/api/people', () => ({ ...person, name: 7 }), 'name'],
    [
      'a birthday that never was',
      'POST',
      '/api/people',
      () => ({ ...person, born: '1990-02-30' }),
      'born',
    ],
    [
      'a birthday to come',
      'POST',
      '/api/people',
      () => ({ ...person, born: '2999-01-01' }),
      'born',
    ],
    [
      'an address that is none',
      'POST',
      '/api/people',
      () => ({ ...person, email: 'at home' }),
      'email',
    ],
    ['a phone of letters', 'POST', '/api/people', () => ({ ...person, phone: 'call me' }), 'phone'],
    [
      'a face in centimetres',
      'POST',
      '/api/people',
      () => ({ ...person, faceHeightMm: 19 }),
      'faceHeightMm',
    ],
    [
      'a face in metres',
      'POST',
      '/api/people',
      () => ({ ...person, faceWidthMm: 0.14 }),
      'faceWidthMm',
    ],
    ['a field nobody knows', 'POST', '/api/people', () => ({ ...person, colour: 'red' }), 'body'],
    [
      'a missing field',
      'POST',
      '/api/people',
      () => {
        const { work: _, ...rest } = person
        return rest
      },
      'work',
    ],
    ['a visit of no length', 'POST', '/api/visits', () => ({ ...booking, minutes: 0 }), 'minutes'],
    [
      'minutes with a unit',
      'POST',
      '/api/visits',
      () => ({ ...booking, minutes: '60 min' }),
      'minutes',
    ],
    ['an hour in seconds', 'POST', '/api/visits', () => ({ ...booking, minutes: 3600 }), 'minutes'],
    [
      'a moment without a zone',
      'POST',
      '/api/visits',
      () => ({ ...booking, startsAt: '2031-02-02T10:00' }),
      'startsAt',
    ],
    [
      'an unknown client',
      'POST',
      '/api/visits',
      () => ({ ...booking, clientId: randomUUID() }),
      'clientId',
    ],
    [
      'an unknown therapist',
      'POST',
      '/api/visits',
      () => ({ ...booking, staffId: randomUUID() }),
      'staffId',
    ],
    [
      'a grade of five',
      'POST',
      'readings',
      () => ({ id: randomUUID(), phase: 'madeUp', zones: { 'forehead.L': { oil: 5 } } }),
      'zones',
    ],
    [
      'an answer that is none',
      'PUT',
      'answers',
      () => ({
        id: randomUUID(),
        answers: { ...allNo(), pregnancy: { say: 'perhaps' } },
        medicines: '',
      }),
      'answers.pregnancy.say',
    ],
    [
      'a finding nobody knows',
      'PUT',
      'answers',
      () => ({ id: randomUUID(), answers: { vertigo: { say: 'yes' } }, medicines: '' }),
      'answers',
    ],
    [
      'medicines over a page',
      'PUT',
      'answers',
      () => ({ id: randomUUID(), answers: {}, medicines: 'x'.repeat(2001) }),
      'medicines',
    ],
    [
      'consent without a word',
      'POST',
      'consent',
      () => ({
        id: randomUUID(),
        method: 'typed',
        name: 'A',
        confirmed: false,
        guardian: false,
        kinds: ['care'],
      }),
      'confirmed',
    ],
    [
      'consent by nod',
      'POST',
      'consent',
      () => ({ id: randomUUID(), method: 'nod', guardian: false, kinds: ['care'] }),
      'method',
    ],
    [
      'a step of minus minutes',
      'PUT',
      'plan',
      () => ({ steps: [{ ...step, minutes: -5 }] }),
      'steps.0.minutes',
    ],
    [
      'a step in seconds',
      'PUT',
      'plan',
      () => ({ steps: [{ ...step, minutes: 300 }] }),
      'steps.0.minutes',
    ],
    [
      'a technique nobody knows',
      'PUT',
      'plan',
      () => ({ steps: [{ ...step, technique: 'sandblast' }] }),
      'steps.0.technique',
    ],
    ['ten passes', 'PUT', 'plan', () => ({ steps: [{ ...step, passes: 10 }] }), 'steps.0.passes'],
    ['the same key twice', 'PUT', 'plan', () => ({ steps: [step, step] }), 'steps'],
    [
      'a plan without end',
      'PUT',
      'plan',
      () => ({ steps: Array.from({ length: 81 }, (_, i) => ({ ...step, key: `steam-${i}` })) }),
      'steps',
    ],
    [
      'a tap from the last century',
      'POST',
      'events',
      () => ({ events: [tap({ kind: 'held' }, 5)] }),
      'events.0.at',
    ],
    [
      'a tap of nothing',
      'POST',
      'events',
      () => ({ events: [{ ...tap({ kind: 'held' }), body: { kind: 'danced' } }] }),
      'events.0.body.kind',
    ],
    ['no tap', 'POST', 'events', () => ({ events: [] }), 'events'],
    [
      'redness of nine',
      'POST',
      'events',
      () => ({
        events: [tap({ kind: 'redness', region: 'forehead', grade: 9 as never, key: null })],
      }),
      'events.0.body.grade',
    ],
    [
      'a litre taken',
      'POST',
      'events',
      () => ({
        events: [
          tap({ kind: 'amountTaken', key: 'x-1', productId: 'a', lotId: 'b', millilitres: 1000 }),
        ],
      }),
      'events.0.body.millilitres',
    ],
    [
      'consent to nothing',
      'POST',
      'consent',
      () => ({
        id: randomUUID(),
        method: 'typed',
        name: 'A',
        confirmed: true,
        guardian: false,
        kinds: [],
      }),
      'kinds',
    ],
    [
      'a wish nobody can have',
      'PUT',
      'preferences',
      () => ({ preferences: { scent: 'cinnamon' } }),
      'preferences.scent',
    ],
    [
      'a row nobody wrote',
      'POST',
      'lifts',
      () => ({ id: randomUUID(), rule: 'no-such-row', word: '', reason: 'x' }),
      'rule',
    ],
    [
      'set aside without a reason',
      'POST',
      'lifts',
      () => ({ id: randomUUID(), rule: 'pregnancy-heat', word: '', reason: ' ' }),
      'reason',
    ],
    [
      'a patch on the nose',
      'POST',
      'patch-tests',
      () => ({ id: randomUUID(), productId: 'serum-tide', place: 'nose' }),
      'place',
    ],
    [
      'a half in the dark',
      'POST',
      'halves',
      () => ({ id: randomUUID(), moment: 'before', worked: 'L', light: '', grades: {} }),
      'light',
    ],
    [
      'a scale of seven',
      'POST',
      'readings',
      () => ({ id: randomUUID(), phase: 'madeUp', zones: {}, whole: { photoageing: 7 } }),
      'whole.photoageing',
    ],
    [
      'twenty evenings a week',
      'PUT',
      'answers',
      () => ({
        id: randomUUID(),
        answers: { retinoid: { say: 'yes', perWeek: 20 } },
        medicines: '',
      }),
      'answers.retinoid.perWeek',
    ],
    [
      'a house rule of no days',
      'POST',
      '/api/house-rules',
      () => ({ id: randomUUID(), rule: 'filler-later', change: { days: 0 }, reason: 'x' }),
      'change.days',
    ],
    [
      'a licence nobody has',
      'PUT',
      '/api/scope',
      () => ({ staffId: null, licences: ['surgery'], until: {} }),
      'licences',
    ],
    ['a short code', 'PUT', '/api/session/code', () => ({ code: '12', password: 'x' }), 'code'],
  ]
  for (const [name, method, path, body, field] of cases) {
    it(name, async () => {
      const r = await owner(path.startsWith('/') ? path : `/api/visits/${visit}/${path}`, {
        method,
        body: body(),
      })
      expect([400, 422]).toContain(r.status)
      expect(
        fieldsOf(r).some((f) => f === field || f.startsWith(`${field}.`)),
        `${field} in ${JSON.stringify(r.body)}`,
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
        const r = await owner(path, { method, raw })
        expect(r.status, `${path} ${raw.slice(0, 20)}`).toBeGreaterThanOrEqual(400)
        expect(r.status).toBeLessThan(500)
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
    const r = await owner('/api/people', {
      method: 'POST',
      body: { ...person, name: 'y'.repeat(5000) },
    })
    expect(r.text.length).toBeLessThan(1000)
  })
  it('a day that is none', async () => {
    expect((await owner('/api/day?date=yesterday')).status).toBe(400)
  })
})

describe('two at once', () => {
  it('the later edit of an older page is told, and loses nothing of the first', async () => {
    const id = await book(owner, 'owner', 'other-13')
    const { version } = (await bundleOf(owner, id)).visit
    expect(
      (await owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, minutes: 75 } }))
        .status,
    ).toBe(200)
    const late = await owner(`/api/visits/${id}`, {
      method: 'PATCH',
      body: { version, minutes: 45 },
    })
    expect(late.status).toBe(409)
    expect(fieldsOf(late)).toContain('version')
    expect((await bundleOf(owner, id)).visit.minutes).toBe(75)
  })
  it('of eight tablets that make version 2, one does, and the same version sent again is taken as said', async () => {
    const id = await treating(owner, 'owner', 'other-13')
    const steps = (await bundleOf(owner, id)).plans.find((p) => p.version === 1)?.steps ?? []
    const different = Array.from({ length: 8 }, (_, i) => ({
      version: 2,
      reason: `tablet ${i}`,
      steps: steps
        .slice(0, steps.length)
        .map((s) => ({ ...s, why: [{ rule: 'by-hand', text: `tablet ${i}` }] })),
    }))
    const replies = await Promise.all(
      different.map((body) => owner(`/api/visits/${id}/versions`, { method: 'POST', body })),
    )
    expect(replies.filter((r) => r.status === 200)).toHaveLength(1)
    expect(replies.every((r) => [200, 409].includes(r.status))).toBe(true)
    const won = different[replies.findIndex((r) => r.status === 200)]
    expect((await owner(`/api/visits/${id}/versions`, { method: 'POST', body: won })).status).toBe(
      200,
    )
  })
})
