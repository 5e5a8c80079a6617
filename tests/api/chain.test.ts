import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { AuditPage } from '#contracts/replies/audit'
import type { ChainStep, HeadCheck } from '#contracts/replies/practice'
import type { VisitDocument } from '#contracts/exchange'
import { demoId } from '#db/demo/ids'
import { signedIn, testUrl, type Caller } from '../support/http'
import { sealedVisit } from '../support/visit'

/** What was sealed stays as it was, with who sealed it, when, what was amended, and how many. */
const tables = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1, onnotice: () => {} })
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})
afterAll(() => tables.end())

async function walked(): Promise<ChainStep> {
  for (let after = 0; ;) {
    const step = (await owner(`/api/practice/chain?after=${after}`)).body as ChainStep
    if (step.done) return step
    after = step.walked
  }
}
const amend = (id: string, after: string) =>
  owner(`/api/visits/${id}/amendments`, {
    method: 'POST',
    body: { id: randomUUID(), after, reason: 'a slip of the pen' },
  })
const check = async (line: string) =>
  owner('/api/practice/head', { method: 'POST', body: { line } })
/** Changes a row behind the house's back, looks, and puts it back. */
async function tampered(change: () => Promise<unknown>, back: () => Promise<unknown>) {
  await change()
  const seen = await walked()
  await back()
  return seen
}

describe('the chain', () => {
  it('shows who sealed and when as another, and an amendment that says something else', async () => {
    const id = await sealedVisit(owner, 'owner', 'other-20')
    expect((await amend(id, 'Better put.')).status).toBe(200)
    const [seal] = await tables`select number, by, at from seals where visit_id = ${id}`
    const other = demoId('tomas')
    const clean = await walked()
    expect([clean.broken, clean.brokenAmendment]).toEqual([null, null])
    const person = await tampered(
      () => tables`update seals set by = ${other} where visit_id = ${id}`,
      () => tables`update seals set by = ${seal?.by as string} where visit_id = ${id}`,
    )
    expect(person.broken).toBe(seal?.number)
    const moment = await tampered(
      () => tables`update seals set at = at - interval '1 day' where visit_id = ${id}`,
      () => tables`update seals set at = ${seal?.at as Date} where visit_id = ${id}`,
    )
    expect(moment.broken).toBe(seal?.number)
    const [amendment] = await tables`select number from amendments where visit_id = ${id}`
    const words = await tampered(
      () => tables`update amendments set after = 'Worse put.' where visit_id = ${id}`,
      () => tables`update amendments set after = 'Better put.' where visit_id = ${id}`,
    )
    expect(words.brokenAmendment).toBe(amendment?.number)
  })
  it('is held against a line that was kept apart: it may grow, its end may not be cut', async () => {
    const first = await sealedVisit(owner, 'owner', 'other-22')
    await amend(first, 'Once more.')
    const { line } = (await owner('/api/practice/head')).body as { line: string }
    const last = await sealedVisit(owner, 'owner', 'other-22')
    await amend(last, 'And again.')
    expect(((await check(line)).body as HeadCheck).holds).toBe(true)
    const [cut] = await tables`select * from amendments where visit_id = ${first}`
    await tables`delete from amendments where number >= ${cut?.number as number}`
    const held = (await check(line)).body as HeadCheck
    expect(held).toMatchObject({ holds: false })
    expect(held.text).toContain('gone')
    expect((await check(line.replace(/.$/, 'x'))).status).toBe(422)
    expect((await check('nothing')).status).toBe(422)
  })
})

describe('a visit that comes in as a file', () => {
  it('is ours only where every word of it is', async () => {
    const id = await sealedVisit(owner, 'owner', 'other-23')
    const doc = (await owner(`/api/visits/${id}/export`)).body as VisitDocument
    const take = async (more: Partial<VisitDocument>) =>
      (
        await owner(`/api/people/${demoId('other-23')}/imports`, {
          method: 'POST',
          body: { id: randomUUID(), text: JSON.stringify({ ...doc, ...more }), confirmed: true },
        })
      ).body
    const bent: Partial<VisitDocument>[] = [
      { client: { ...doc.client, name: 'Somebody Else' } },
      { visit: { ...doc.visit, therapist: 'Somebody Else' } },
      { visit: { ...doc.visit, minutes: 45 } },
      { practice: { name: 'Another House' } },
      { seal: { ...doc.seal, sealedAt: '2020-01-01T00:00:00.000Z' } },
      {
        amendments: [
          { at: doc.exportedAt, by: 'Ilse Varga', before: '', after: 'never said', reason: 'x' },
        ],
      },
    ]
    for (const more of bent)
      expect(await take(more), JSON.stringify(more)).toMatchObject({ holds: false, ours: false })
    expect(await take({})).toEqual({ holds: true, ours: true, why: '' })
  })
})

describe('the audit', () => {
  it('has a line for looking through the people, for a search and for a day, each once a while', async () => {
    for (let times = 0; times < 3; times++) {
      await owner('/api/people')
      await owner('/api/people?q=ad')
      await owner('/api/day')
    }
    for (const what of ['people.list', 'people.search', 'day.look']) {
      const { lines } = (await owner(`/api/audit?what=${what}`)).body as AuditPage
      const fresh = lines.filter(
        ({ at, staff }) => staff === 'Ilse Varga' && at > Date.now() - 50_000,
      )
      expect(fresh.length, what).toBeLessThanOrEqual(1)
      expect(lines.length, what).toBeGreaterThan(0)
    }
  })
})
