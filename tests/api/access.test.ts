import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { demoId } from '#db/demo/ids'
import type { Who } from '../support/accounts'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { book, sealedVisit, STAFF, tap } from '../support/visit'

type Kind = Who | 'nobody'
const KINDS: readonly Kind[] = ['owner', 'therapist', 'trainee', 'nobody']
/**
 * What each person may do: on their own visit or client (`own`), and on one of a colleague
 * (`other`).
 */
interface Row {
  route: string
  body?: (id: string, who: Kind) => unknown
  own: readonly Who[]
  other?: readonly Who[]
  object?: 'visit' | 'client'
}
const ALL: readonly Who[] = ['owner', 'therapist', 'trainee']
const SENIOR: readonly Who[] = ['owner', 'therapist']
const OWNER: readonly Who[] = ['owner']
const client = {
  name: 'Table Test',
  born: '',
  phone: '',
  email: '',
  work: '',
  medicines: '',
  notes: '',
  faceHeightMm: 190,
  faceWidthMm: 140,
}

/**
 * One row a route; the test below fails for a route without one. `own` on a visit: the caller holds
 * it.
 */
const TABLE: readonly Row[] = [
  { route: 'GET /api/session', own: ALL },
  { route: 'GET /api/staff', own: ALL },
  { route: 'GET /api/people', own: ALL },
  { route: 'GET /api/shelf', own: ALL },
  { route: 'GET /api/day', own: ALL },
  { route: 'GET /api/meters', own: ALL },
  { route: 'GET /api/practice', own: OWNER },
  { route: 'GET /api/practice/chain', own: OWNER },
  { route: 'POST /api/people', own: ALL, body: () => ({ id: randomUUID(), ...client }) },
  {
    route: 'POST /api/visits',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: (clientId, who) => ({
      id: randomUUID(),
      clientId,
      staffId: STAFF[who === 'nobody' ? 'owner' : who],
      roomId: demoId('room-lake'),
      startsAt: '2031-01-01T10:00:00Z',
      minutes: 60,
    }),
  },
  {
    route: 'PUT /api/session/code',
    own: [],
    body: () => ({ code: '1234', password: 'not the password' }),
  },
  { route: 'GET /api/people/[id]', object: 'client', own: ALL, other: OWNER },
  {
    route: 'PATCH /api/people/[id]',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 99, ...client }),
  },
  { route: 'GET /api/people/[id]/export', object: 'client', own: SENIOR, other: OWNER },
  {
    route: 'POST /api/people/[id]/imports',
    object: 'client',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), text: '{' }),
  },
  { route: 'POST /api/people/[id]/erase', object: 'client', own: OWNER, other: OWNER },
  { route: 'GET /api/visits/[id]', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/events', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/next', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/stream', object: 'visit', own: ALL, other: OWNER },
  { route: 'GET /api/visits/[id]/export', object: 'visit', own: SENIOR, other: OWNER },
  {
    route: 'PATCH /api/visits/[id]',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 99 }),
  },
  {
    route: 'PUT /api/visits/[id]/answers',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), answers: {}, medicines: '' }),
  },
  {
    route: 'POST /api/visits/[id]/consent',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({
      id: randomUUID(),
      method: 'typed',
      name: 'x',
      confirmed: true,
      guardian: false,
      kinds: ['care'],
    }),
  },
  {
    route: 'POST /api/visits/[id]/withdrawals',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), kinds: ['needling'] }),
  },
  {
    route: 'PUT /api/visits/[id]/preferences',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ preferences: { talk: 'quiet' } }),
  },
  {
    route: 'POST /api/visits/[id]/lifts',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ id: randomUUID(), rule: 'pregnancy-heat', word: '', reason: 'table test' }),
  },
  {
    route: 'POST /api/visits/[id]/patch-tests',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), productId: 'serum-tide', place: 'behindEar' }),
  },
  {
    route: 'POST /api/visits/[id]/patch-reads',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), testId: randomUUID(), result: 'clear' }),
  },
  {
    route: 'POST /api/visits/[id]/halves',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({
      id: randomUUID(),
      moment: 'before',
      worked: 'L',
      light: 'ring lamp',
      grades: {},
    }),
  },
  {
    route: 'POST /api/house-rules',
    own: OWNER,
    body: () => ({
      id: randomUUID(),
      rule: 'filler-later',
      change: { days: 1 },
      reason: 'looser: refused',
    }),
  },
  { route: 'POST /api/house-rules/[id]/end', own: OWNER },
  { route: 'GET /api/method', own: ALL },
  {
    route: 'PUT /api/policy',
    own: OWNER,
    body: () => ({ id: randomUUID(), policy: { camps: {}, without: [] }, reason: 'table test' }),
  },
  {
    route: 'POST /api/protocols',
    own: SENIOR,
    body: () => ({
      id: randomUUID(),
      name: 'Table Test',
      note: '',
      steps: [{ technique: 'enzyme', minutes: 5 }],
    }),
  },
  {
    route: 'POST /api/protocols/[id]/versions',
    own: SENIOR,
    body: () => ({ version: 2, note: '', steps: [{ technique: 'enzyme', minutes: 5 }] }),
  },
  { route: 'POST /api/protocols/[id]/retire', own: OWNER },
  {
    route: 'PUT /api/scope',
    own: OWNER,
    body: () => ({ staffId: randomUUID(), licences: ['basic'], until: {} }),
  },
  {
    route: 'POST /api/visits/[id]/readings',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), phase: 'madeUp', zones: {} }),
  },
  {
    route: 'POST /api/visits/[id]/link',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID() }),
  },
  {
    route: 'POST /api/visits/[id]/meter',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ id: randomUUID(), kind: 'hydration', zone: 'nose', phase: 'madeUp' }),
  },
  {
    route: 'PUT /api/visits/[id]/plan',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ steps: [] }),
  },
  { route: 'POST /api/visits/[id]/start', object: 'visit', own: ALL, other: OWNER },
  {
    route: 'POST /api/visits/[id]/versions',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ version: 2, reason: 'x', steps: [] }),
  },
  {
    route: 'POST /api/visits/[id]/events',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ events: [tap({ kind: 'held' })] }),
  },
  {
    route: 'PUT /api/visits/[id]/record',
    object: 'visit',
    own: ALL,
    other: OWNER,
    body: () => ({ text: 'x', version: 1 }),
  },
  {
    route: 'POST /api/visits/[id]/seal',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ text: 'x' }),
  },
  {
    route: 'POST /api/visits/[id]/amendments',
    object: 'visit',
    own: SENIOR,
    other: OWNER,
    body: () => ({ id: randomUUID(), after: 'x', reason: 'y' }),
  },
  { route: 'POST /api/visits/[id]/countersign', object: 'visit', own: [], other: [] },
  { route: 'POST /api/visits/[id]/printed', object: 'visit', own: ALL, other: OWNER },
  { route: 'POST /api/visits/[id]/follow-up', object: 'visit', own: ALL, other: OWNER },
  { route: 'POST /api/session/lock', own: ALL },
  { route: 'POST /api/session/unlock', own: [], body: () => ({ code: '0000' }) },
  { route: 'POST /api/session/revoke', own: ALL },
]
/** Open to anyone, and tested elsewhere. */
const OPEN = [
  'GET /api/health',
  'GET /api/ready',
  'POST /api/session',
  'DELETE /api/session',
  'POST /api/form/open',
  'POST /api/form/submit',
]

const base = testUrl()
const ask = (call: Caller, row: Row, who: Kind, id = '') => {
  const [method = 'GET', path = ''] = row.route.split(' ')
  return call(path.replace('[id]', id || randomUUID()), {
    method,
    ...(row.body ? { body: row.body(id, who) } : {}),
  })
}
const REFUSED = [401, 403]

function routesOnDisk(folder = 'server/api', at = '/api'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((f) => {
    if (f.isDirectory()) return routesOnDisk(join(folder, f.name), `${at}/${f.name}`)
    const [, name = '', method = 'get'] =
      /^(.+?)\.(get|post|put|patch|delete)\.ts$/.exec(f.name) ?? []
    return [`${method.toUpperCase()} ${name === 'index' ? at : `${at}/${name}`}`]
  })
}

describe('every route, every role', () => {
  const callers = {} as Record<Kind, Caller>
  const visits = {} as Record<Who, string>
  const clients = {} as Record<Who, string>
  beforeAll(async () => {
    for (const k of KINDS) callers[k] = k === 'nobody' ? caller(base) : await signedIn(base, k)
    for (const who of ALL) {
      clients[who] = randomUUID()
      expect(
        (
          await callers[who]('/api/people', {
            method: 'POST',
            body: { id: clients[who], ...client },
          })
        ).status,
      ).toBe(200)
      visits[who] = await book(callers.owner, who, `other-${25 + ALL.indexOf(who)}`)
    }
  })
  it('has a row for every route there is, and none for what is not', () => {
    expect(routesOnDisk().sort()).toEqual([...TABLE.map((r) => r.route), ...OPEN].sort())
  })
  it('lets a senior countersign a trainee, and nobody themselves', async () => {
    expect(
      (await callers.therapist(`/api/visits/${visits.trainee}/countersign`, { method: 'POST' }))
        .status,
    ).toBe(422) // no plan yet, but allowed
    expect(
      (await callers.trainee(`/api/visits/${visits.trainee}/countersign`, { method: 'POST' }))
        .status,
    ).toBe(403)
    expect(
      (await callers.owner(`/api/visits/${visits.owner}/countersign`, { method: 'POST' })).status,
    ).toBe(403)
  })
  it('keeps a trainee from exporting or sealing, and leaves an audit line for the refusal', async () => {
    const id = await sealedVisit(callers.owner, 'trainee', 'other-29')
    expect((await callers.trainee(`/api/visits/${id}/export`)).status).toBe(403)
    const practice = (await callers.owner('/api/practice')).body as {
      audit: { action: string; allowed: boolean; staff: string }[]
    }
    expect(
      practice.audit.some(
        (a) => a.action === 'visit.export' && !a.allowed && a.staff === 'Amara Oduya',
      ),
    ).toBe(true)
  })
  it('says nothing of what is not there', async () => {
    expect((await callers.owner(`/api/visits/${randomUUID()}`)).status).toBe(404)
    expect((await callers.owner('/api/visits/not-an-id')).status).toBe(404)
    expect((await callers.owner('/api/people/1%27%20or%201=1')).status).toBe(404)
  })
  // The rows that end sessions stand last in the table.
  for (const row of TABLE)
    for (const who of KINDS) {
      if (!row.object) {
        it(`${row.route} as ${who}`, async () => {
          const call =
            who === 'nobody'
              ? callers.nobody
              : row.route.includes('/session/')
                ? await signedIn(base, who)
                : callers[who]
          const { status } = await ask(call, row, who)
          if (who !== 'nobody' && row.own.includes(who)) expect(REFUSED).not.toContain(status)
          else expect(REFUSED).toContain(status)
        })
        continue
      }
      for (const whose of ['own', 'other'] as const) {
        if (who === 'nobody' && whose === 'other') continue
        it(`${row.route} as ${who}, ${whose === 'own' ? 'their own' : "a colleague's"}`, async () => {
          const things = row.object === 'visit' ? visits : clients
          const holder: Who =
            who === 'nobody'
              ? 'owner'
              : whose === 'own'
                ? who
                : who === 'owner'
                  ? 'therapist'
                  : 'owner'
          const { status } = row.route.endsWith('/stream')
            ? await streamStatus(who, things[holder])
            : await ask(callers[who], row, who, things[holder])
          const allowed =
            who !== 'nobody' && (whose === 'own' ? row.own : (row.other ?? [])).includes(who)
          if (allowed) expect(REFUSED).not.toContain(status)
          else expect(REFUSED).toContain(status)
        })
      }
    }
  async function streamStatus(who: Kind, id: string): Promise<{ status: number }> {
    const cookie = who === 'nobody' ? '' : await cookieOf(who)
    const stop = new AbortController()
    const r = await fetch(`${base}/api/visits/${id}/stream`, {
      headers: { cookie },
      signal: stop.signal,
    })
    stop.abort()
    return { status: r.status }
  }
})

async function cookieOf(who: Who): Promise<string> {
  const { ACCOUNTS } = await import('../support/accounts')
  const r = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { origin: base, 'content-type': 'application/json' },
    body: JSON.stringify({ email: ACCOUNTS[who].email, password: ACCOUNTS[who].password }),
  })
  return r.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
}
