import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import { ACCOUNTS } from '../support/accounts'
import { signedIn, testUrl, type Caller } from '../support/http'
import { jpegOf } from '../support/picture'
import { bundleOf, someone, treating } from '../support/visit'

const base = testUrl()
const tables = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1, onnotice: () => {} })
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
afterAll(() => tables.end())

describe('whoever was erased', () => {
  it('takes nothing more in and shows nothing, by any route, and no reason of a plan stays', async () => {
    const client = await someone(owner, 'Wiped Out')
    const id = await treating(owner, 'owner', client)
    const { plans } = await bundleOf(owner, id)
    const steps = plans.find(({ version }) => version === 1)?.steps ?? []
    const reason = 'she told of her divorce'
    const version = { version: 2, reason, steps }
    expect(
      (await owner(`/api/visits/${id}/versions`, { method: 'POST', body: version })).status,
    ).toBe(200)
    // Longer ago than the law keeps it.
    await tables`update visits set starts_at = starts_at - interval '30 years',
      begun_at = begun_at - interval '30 years' where id = ${id}`
    const { password } = ACCOUNTS.owner
    const erased = await owner(`/api/people/${client}/erase`, {
      method: 'POST',
      body: { password },
    })
    expect(erased.status, erased.text).toBe(200)
    const sends: readonly (readonly [string, string, object])[] = [
      ['answers', 'PUT', { id: randomUUID(), answers: allNo(), medicines: 'insulin' }],
      [
        'readings',
        'POST',
        { id: randomUUID(), phase: 'bare', zones: readAll(RESILIENT), whole: {} },
      ],
      [
        'photographs',
        'POST',
        { id: randomUUID(), regions: ['nose'], jpeg: jpegOf(50), agreed: true },
      ],
      ['record', 'PUT', { text: 'health', version: 1 }],
      ['preferences', 'PUT', { preferences: { talk: 'quiet' } }],
      ['patch-tests', 'POST', { id: randomUUID(), productId: 'x', place: 'behindEar' }],
      ['versions', 'POST', { ...version, version: 3 }],
      ['seal', 'POST', { text: 'health' }],
      ['start', 'POST', {}],
      ['link', 'POST', { id: randomUUID() }],
    ]
    for (const [path, method, body] of sends)
      expect((await owner(`/api/visits/${id}/${path}`, { method, body })).status, path).toBe(410)
    for (const path of ['', '/events', '/next'])
      expect((await owner(`/api/visits/${id}${path}`)).status, path).toBe(410)
    const [kept] = await tables`select
      (select count(*) from consultations where client_id = ${client} and answers is not null)::int as told,
      (select count(*) from plans where visit_id = ${id} and reason = ${reason})::int as reasons,
      (select medicines from clients where id = ${client}) as medicines`
    expect(kept).toEqual({ told: 0, reasons: 0, medicines: '' })
  })
  it('nor past the routes: the tables refuse it to the application', async () => {
    const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 1, onnotice: () => {} })
    const [visit] = await tables`select v.id, v.client_id, v.staff_id from visits v
      join clients c on c.id = v.client_id where c.erased_at is not null limit 1`
    await expect(
      app`insert into consultations (id, visit_id, client_id, answers, by)
        values (${randomUUID()}, ${visit?.id}, ${visit?.client_id}, '{}', ${visit?.staff_id})`,
    ).rejects.toThrow('erased')
    await app.end()
  })
})
