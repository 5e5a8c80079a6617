import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { AuditLine, AuditPage } from '#contracts/replies/audit'
import { NO_POLICY } from '#core/catalogue/schools/schools'
import { ACCOUNTS } from '../support/accounts'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import {
  book,
  bundleOf,
  byTheWall,
  countersigned,
  prepared,
  ROOM,
  sealedVisit,
  someone,
  STAFF,
  treating,
} from '../support/visit'

const base = testUrl()
const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 1, onnotice: () => {} })
afterAll(() => app.end())
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  therapist = await signedIn(base, 'therapist')
})
const linesOf = async (query: string) =>
  ((await owner(`/api/audit?${query}`)).body as AuditPage).lines
const said = (lines: readonly AuditLine[]) => lines.map(({ action, allowed }) => [action, allowed])
async function patch(id: string, body: object) {
  const { version } = (await bundleOf(owner, id)).visit
  return owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, ...body } })
}

describe('the audit says what was done, after it was', () => {
  it('of a visit from booking to amendment, each deed with whose file it was', async () => {
    const client = await someone(owner, 'Every Deed')
    const trained = await prepared(owner, 'trainee', client)
    await countersigned(owner, trained)
    await patch(trained, { lateMinutes: 5 })
    await app`update visits set starts_at = now() - interval '402 days' where id = ${trained}`
    await patch(trained, { fellAway: { as: 'noShow', because: 'no word' } })
    const id = await sealedVisit(owner, 'owner', client)
    const amendment = { id: randomUUID(), after: 'better', reason: 'a word' }
    await owner(`/api/visits/${id}/amendments`, { method: 'POST', body: amendment })
    await patch(id, { nextVisitAt: byTheWall('2035-03-01', '11:00') })
    const other = await book(owner, 'owner', client)
    await patch(other, { startsAt: byTheWall('2035-04-01', '12:00') })
    await patch(other, { fellAway: { as: 'calledOff', because: '' } })
    await patch(other, { fellAway: null })
    const actions = (await linesOf(`clientId=${client}`)).map(({ action }) => action)
    for (const action of [
      'client.add',
      'visit.book',
      'visit.answers',
      'visit.consent',
      'visit.reading',
      'visit.plan',
      'visit.countersign',
      'visit.late',
      'visit.no-show',
      'visit.start',
      'visit.seal',
      'visit.amend',
      'visit.next',
      'visit.move',
      'visit.cancel',
      'visit.back',
    ])
      expect(actions, action).toContain(action)
  })
  it('of what was refused, that it was: a booking into a taken room, a seal too early', async () => {
    const client = await someone(owner, 'Refused Twice')
    const startsAt = byTheWall('2035-05-02', '11:00')
    const booking = { clientId: client, staffId: STAFF.owner, roomId: ROOM, startsAt, minutes: 60 }
    const send = () =>
      owner('/api/visits', { method: 'POST', body: { ...booking, id: randomUUID() } })
    expect((await send()).status).toBe(200)
    expect((await send()).status).toBe(409)
    const linesNow = async () => said(await linesOf(`clientId=${client}`))
    // The latest first.
    expect((await linesNow()).filter(([action]) => action === 'visit.book')).toEqual([
      ['visit.book', false],
      ['visit.book', true],
    ])
    const id = await treating(owner, 'owner', client)
    await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '' } })
    expect(await linesNow()).toContainEqual(['visit.seal', false])
  })
  it('of the house: scope, policy, rules, protocols, and of a wrong second factor', async () => {
    const before = (await linesOf('what=house'))[0]?.id ?? 0
    await owner('/api/policy', {
      method: 'PUT',
      body: { id: randomUUID(), policy: NO_POLICY, reason: 'as it was' },
    })
    await therapist('/api/scope', { method: 'PUT', body: { staffId: null, licences: [] } })
    const lines = (await linesOf('what=house')).filter(({ id }) => id > before)
    expect(said(lines)).toContainEqual(['house.policy', true])
    expect(said(lines)).toContainEqual(['house.scope', false])
  })
  it('of the door: signing in, refused or not, and joining by a link', async () => {
    const id = randomUUID()
    const email = `${id}@house.example`
    const link = (
      await owner('/api/staff', {
        method: 'POST',
        body: { id, name: 'Joins Now', email, role: 'trainee' },
      })
    ).body as { token: string }
    const password = 'four words are good'
    await caller(base)('/api/join/submit', {
      method: 'POST',
      body: { token: link.token, password },
    })
    await caller(base)('/api/session', { method: 'POST', body: { email, password: 'not this' } })
    expect(said(await linesOf(`staffId=${id}`))).toEqual([
      ['session.in', false],
      ['staff.join', true],
      ['session.in', true],
    ])
    expect(ACCOUNTS.owner.name).toBe('Ilse Varga')
  })
})
