import { randomUUID } from 'node:crypto'
import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import type { AuditPage } from '#contracts/replies/audit'
import type { Who } from '../support/accounts'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { book, sealedVisit } from '../support/visit'

import { client, TABLE } from './accessTable'
import { ALL, KINDS, type Kind, type Row } from './rights'
const OPEN = [
  'GET /api/health',
  'GET /api/openapi.json',
  'GET /api/ready',
  'POST /api/session',
  'DELETE /api/session',
  'POST /api/form/open',
  'POST /api/form/submit',
  'POST /api/how/open',
  'POST /api/how/submit',
  'POST /api/card/open',
  'GET /api/setup',
  'POST /api/setup',
  'POST /api/setup/open',
  'POST /api/join/open',
  'POST /api/join/submit',
]

const base = testUrl()
const ask = (call: Caller, row: Row, who: Kind, id = '') => {
  const [method = 'GET', path = ''] = row.route.split(' ')
  const asked = row.query === undefined ? path : `${path}?${row.query}`
  return call(asked.replace('[id]', id || randomUUID()), {
    method,
    ...(row.body ? { body: row.body(id, who) } : {}),
  })
}
const REFUSED = [401, 403]

function routesOnDisk(folder = 'server/api', at = '/api'): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((dirent) => {
    if (dirent.isDirectory()) return routesOnDisk(join(folder, dirent.name), `${at}/${dirent.name}`)
    const [, name = '', method = 'get'] =
      /^(.+?)\.(get|post|put|patch|delete)\.ts$/.exec(dirent.name) ?? []
    return [`${method.toUpperCase()} ${name === 'index' ? at : `${at}/${name}`}`]
  })
}

describe('every route, every role', () => {
  const callers = {} as Record<Kind, Caller>
  const visits = {} as Record<Who, string>
  const clients = {} as Record<Who, string>
  beforeAll(async () => {
    for (const kind of KINDS)
      callers[kind] = kind === 'nobody' ? caller(base) : await signedIn(base, kind)
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
    expect(routesOnDisk().sort()).toEqual([...TABLE.map((row) => row.route), ...OPEN].sort())
  })
  it('lets a senior countersign a trainee, and nobody themselves', async () => {
    const sign = async (who: Who, whose: Who) =>
      (
        await callers[who](`/api/visits/${visits[whose]}/countersign`, {
          method: 'POST',
          body: { hash: 'a'.repeat(64) },
        })
      ).status
    expect(await sign('therapist', 'trainee'), 'no plan yet, but allowed').toBe(422)
    expect(await sign('trainee', 'trainee')).toBe(403)
    expect(await sign('owner', 'owner')).toBe(403)
  })
  it('keeps a trainee from exporting or sealing, and leaves an audit line for the refusal', async () => {
    const id = await sealedVisit(callers.owner, 'trainee', 'other-29')
    expect((await callers.trainee(`/api/visits/${id}/export`)).status).toBe(403)
    const { lines } = (await callers.owner('/api/audit?what=visit&refused=yes')).body as AuditPage
    expect(
      lines.some(
        (line) => line.action === 'visit.export' && !line.allowed && line.staff === 'Amara Oduya',
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
    const response = await fetch(`${base}/api/visits/${id}/stream`, {
      headers: { cookie },
      signal: stop.signal,
    })
    stop.abort()
    return { status: response.status }
  }
})

async function cookieOf(who: Who): Promise<string> {
  const { ACCOUNTS } = await import('../support/accounts')
  const response = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { origin: base, 'content-type': 'application/json' },
    body: JSON.stringify({ email: ACCOUNTS[who].email, password: ACCOUNTS[who].password }),
  })
  return response.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ')
}
