import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoId } from '#db/demo/ids'
import { signedIn, testUrl, type Caller } from '../support/http'
import { sealedVisit, treating } from '../support/visit'

/**
 * What the application itself cannot do, even if it wanted to: asked of PostgreSQL under the
 * application's own role.
 */
const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 2, onnotice: () => {} })
const ownerDb = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2, onnotice: () => {} })
let owner: Caller
let sealed: string
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
  sealed = await sealedVisit(owner, 'owner', 'other-21')
})
afterAll(async () => {
  await app.end()
  await ownerDb.end()
})

const DENIED = '42501'
const CHECK = '23514'
async function codeOf(work: Promise<unknown>): Promise<string> {
  try {
    await work
    return 'done'
  } catch (e) {
    return (e as { code?: string }).code ?? String(e)
  }
}

describe("the application's role", () => {
  it('owns nothing and is no superuser', async () => {
    expect(
      await app`select 1 from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname = current_user`,
    ).toHaveLength(0)
    expect(
      (
        await app`select rolsuper, rolcreatedb, rolcreaterole, rolbypassrls from pg_roles where rolname = current_user`
      )[0],
    ).toEqual({ rolsuper: false, rolcreatedb: false, rolcreaterole: false, rolbypassrls: false })
    expect(await codeOf(app`create table mine (x int)`)).toBe(DENIED)
  })
  for (const table of [
    'audit',
    'visit_events',
    'seals',
    'seal_items',
    'amendments',
    'consultations',
    'consents',
    'readings',
    'meter_readings',
    'imports',
    'withdrawals',
    'patch_tests',
    'patch_reads',
    'lifts',
    'half_faces',
  ]) {
    it(`only adds to ${table}`, async () => {
      expect(await codeOf(app.unsafe(`delete from ${table}`))).toBe(DENIED)
      expect(await codeOf(app.unsafe(`truncate ${table}`))).toBe(DENIED)
      const [col] =
        await app`select column_name from information_schema.columns where table_schema = 'public' and table_name = ${table} and is_identity = 'NO' limit 1`
      const name = String(col?.column_name)
      expect(await codeOf(app.unsafe(`update ${table} set "${name}" = "${name}"`))).toBe(DENIED)
    })
  }
  it('does not touch a frozen plan, a sealed visit, or add a tap to one', async () => {
    expect(
      await codeOf(
        app`update plans set reason = 'other' where visit_id = ${sealed} and version = 1`,
      ),
    ).toBe(CHECK)
    expect(await codeOf(app`update visits set record_text = 'other' where id = ${sealed}`)).toBe(
      CHECK,
    )
    expect(await codeOf(app`update visits set status = 'closing' where id = ${sealed}`)).toBe(CHECK)
    expect(
      await codeOf(
        app`insert into visit_events (id, visit_id, at, device_id, seq, plan_version, body, by) values (${randomUUID()}, ${sealed}, ${Date.now()}, 'device-0001', 1, 1, '{"kind":"held"}', ${demoId('ilse')})`,
      ),
    ).toBe(CHECK)
  })
  it('does not make itself an owner', async () => {
    expect(await codeOf(app`update staff set role = 'owner'`)).toBe(DENIED)
    expect(await codeOf(app`update practice set retention_years = 1`)).toBe(DENIED)
  })
})

describe('erasing a client', () => {
  const chain = async () =>
    (
      (await owner('/api/practice')).body as {
        chain: { broken: number | null; erasedParts: number }
      }
    ).chain
  it('is refused while the law keeps the record, and nothing is lost by asking', async () => {
    const r = await owner(`/api/people/${demoId('other-21')}/erase`, { method: 'POST' })
    expect(r.status).toBe(422)
    expect(r.text).toContain('retained until')
    expect((await owner(`/api/people/${demoId('other-21')}`)).status).toBe(200)
  })
  it('takes what was said and done once the years are over, and the chain still stands', async () => {
    const client = randomUUID()
    await owner('/api/people', {
      method: 'POST',
      body: {
        id: client,
        name: 'Erase Me',
        born: '1980-05-05',
        phone: '+1 555 0100',
        email: 'erase@me.example',
        work: 'Painter',
        medicines: 'none',
        notes: 'likes silence',
        faceHeightMm: 190,
        faceWidthMm: 140,
      },
    })
    await ownerDb`update visits set client_id = ${client} where id = ${await treating(owner, 'owner', 'other-22')}`
    const id = await sealedVisit(owner, 'owner', 'other-23')
    for (const t of ['visits', 'consultations', 'consents', 'readings'])
      await ownerDb.unsafe(
        `update ${t} set client_id = $1 where ${t === 'visits' ? 'id' : 'visit_id'} = $2`,
        [client, id],
      )
    await ownerDb`update visits set starts_at = now() - interval '40 years' where client_id = ${client}`
    const before = await chain()
    expect((await owner(`/api/people/${client}/erase`, { method: 'POST' })).status).toBe(200)
    const rest = JSON.stringify([
      await ownerDb`select * from clients where id = ${client}`,
      await ownerDb`select * from consultations where client_id = ${client}`,
      await ownerDb`select * from consents where client_id = ${client}`,
      await ownerDb`select * from readings where client_id = ${client}`,
      await ownerDb`select e.* from visit_events e join visits v on v.id = e.visit_id where v.client_id = ${client}`,
      await ownerDb`select p.* from plans p join visits v on v.id = p.visit_id where v.client_id = ${client}`,
      await ownerDb`select i.* from seal_items i join visits v on v.id = i.visit_id where v.client_id = ${client}`,
    ])
    expect(rest).not.toMatch(
      /Erase Me|1980-05-05|555 0100|erase@|Painter|silence|A Client|Went well|"oil"|stepDone/,
    )
    const after = await chain()
    expect(after.broken).toBeNull()
    expect(after.erasedParts).toBeGreaterThan(before.erasedParts)
    expect((await owner(`/api/people/${client}`)).status).toBeLessThan(500)
    expect((await owner(`/api/visits/${id}`)).status).toBeLessThan(500)
  })
})
