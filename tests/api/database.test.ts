import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ChainStep } from '#contracts/replies/practice'
import { seal } from '#core/record/seal'
import { demoId } from '#db/demo/ids'
import { ACCOUNTS } from '../support/accounts'
import { walkedChain } from '../support/chain'
import { jpegOf } from '../support/picture'
import { signedIn, testUrl, type Caller } from '../support/http'
import { sealedVisit, STAFF, treating } from '../support/visit'

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

const SURE = { password: ACCOUNTS.owner.password }
const DENIED = '42501'
const CHECK = '23514'
async function codeOf(work: Promise<unknown>): Promise<string> {
  try {
    await work
    return 'done'
  } catch (error) {
    return (error as { code?: string }).code ?? String(error)
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
    'photographs',
  ]) {
    it(`only adds to ${table}`, async () => {
      expect(await codeOf(app.unsafe(`delete from ${table}`))).toBe(DENIED)
      expect(await codeOf(app.unsafe(`truncate ${table}`))).toBe(DENIED)
      const [col] = await app`select column_name from information_schema.columns
            where table_schema = 'public' and table_name = ${table}
            and is_identity = 'NO' limit 1`
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
        app`insert into visit_events (id, visit_id, at, device_id, seq, plan_version, body, by)
          values (${randomUUID()}, ${sealed}, ${Date.now()}, 'device-0001', 1, 1, '{"kind":"held"}', ${demoId('ilse')})`,
      ),
    ).toBe(CHECK)
  })
  it('does not make itself an owner', async () => {
    expect(await codeOf(app`update staff set role = 'owner'`)).toBe(DENIED)
    expect(await codeOf(app`update practice set retention_years = 1`)).toBe(DENIED)
    const trainee = demoId('amara')
    expect(await codeOf(app`select change_role(${trainee}::uuid, ${trainee}::uuid, 'owner')`)).toBe(
      DENIED,
    )
    expect(await codeOf(app`select change_retention(${trainee}::uuid, 1)`)).toBe(DENIED)
    const made = app`insert into staff (id, name, email, role, licences, password_hash)
      values (gen_random_uuid(), 'x', 'x@nowhere.example', 'owner', '[]', 'x')`
    expect(await codeOf(made)).toBe(DENIED)
  })
  it('changes no bottle but by a movement', async () => {
    expect(await codeOf(app`update lots set remaining_hundredths_ml = 1`)).toBe(DENIED)
    expect(await codeOf(app`delete from lot_movements`)).toBe(DENIED)
    expect(await codeOf(app`update lot_movements set hundredths = 1`)).toBe(DENIED)
  })
})

describe('erasing a client', () => {
  it('is refused while the law keeps the record, and nothing is lost by asking', async () => {
    const reply = await owner(`/api/people/${demoId('other-21')}/erase`, {
      method: 'POST',
      body: SURE,
    })
    expect(reply.status).toBe(422)
    expect(reply.text).toContain('retained until')
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
    const treated = await treating(owner, 'owner', 'other-22')
    const picture = { id: randomUUID(), regions: ['nose'], jpeg: jpegOf(60), agreed: true }
    const taken = await owner(`/api/visits/${treated}/photographs`, {
      method: 'POST',
      body: picture,
    })
    expect(taken.status, taken.text).toBe(200)
    await ownerDb`update visits set client_id = ${client} where id = ${treated}`
    const id = await sealedVisit(owner, 'owner', 'other-23')
    for (const table of ['visits', 'consultations', 'consents', 'readings'])
      await ownerDb.unsafe(
        `update ${table} set client_id = $1 where ${table === 'visits' ? 'id' : 'visit_id'} = $2`,
        [client, id],
      )
    await ownerDb`update visits set starts_at = starts_at - interval '40 years',
      begun_at = begun_at - interval '40 years' where client_id = ${client}`
    const before = await walkedChain(owner)
    expect(
      (await owner(`/api/people/${client}/erase`, { method: 'POST', body: SURE })).status,
    ).toBe(200)
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
    const pictures = await ownerDb`select jpeg, sha256, regions from photographs
      where visit_id = ${treated}`
    expect(pictures).toEqual([{ jpeg: null, sha256: '', regions: [] }])
    const after = await walkedChain(owner)
    expect(after.broken).toBeNull()
    expect(after.erasedParts).toBeGreaterThan(before.erasedParts)
    expect((await owner(`/api/people/${client}`)).status).toBeLessThan(500)
    expect((await owner(`/api/visits/${id}`)).status).toBeLessThan(500)
  })
})

describe('the chain of seals', () => {
  const LONG = 450
  it('is walked in stretches, and says where it breaks', async () => {
    const clean = await walkedChain(owner)
    expect(clean.broken).toBeNull()
    const step = async (after: number) =>
      (await owner(`/api/practice/chain?after=${after}`)).body as ChainStep
    const [last] = await ownerDb`select max(number)::int as number from seals`
    const from = (last?.number as number) + 1
    const visits = await ownerDb`
      insert into visits (id, client_id, staff_id, room_id, starts_at, minutes, aims, school, status)
      select gen_random_uuid(), client_id, staff_id, room_id,
        now() + (n || ' days')::interval, 30, aims, school, 'cancelled'
      from visits, generate_series(900, ${900 + LONG - 1}) as n
      where id = (select visit_id from seals limit 1) returning id`
    let head = clean.head
    const rows = visits.map((visit, place) => {
      const sealed = seal([{ name: 'visit', content: { place } }], ['0'.repeat(32)], head)
      head = sealed.head
      return { visit, sealed, number: from + place }
    })
    await ownerDb`insert into seals ${ownerDb(
      rows.map(({ visit, sealed, number }) => ({
        number,
        visit_id: visit.id as string,
        prev: sealed.prev,
        head: sealed.head,
        by: STAFF.owner,
      })),
    )}`
    for (const { visit, sealed } of rows)
      for (const item of sealed.items)
        await ownerDb`insert into seal_items (visit_id, place, name, commitment, content, salt)
          values (${visit.id as string}, 0, ${item.name}, ${item.commitment},
            ${ownerDb.json(item.content as never)}, ${item.salt})`
    const first = await step(0)
    expect(first.done).toBe(false)
    expect(first.walked).toBeLessThan(first.total)
    expect(await walkedChain(owner)).toMatchObject({ broken: null, head, seals: first.total })
    const spoiled = rows[LONG - 100]
    await ownerDb`update seal_items set content = '{"place": -1}' where visit_id = ${spoiled?.visit.id as string}`
    expect((await walkedChain(owner)).broken).toBe(spoiled?.number)
    await ownerDb`delete from seal_items where visit_id in ${ownerDb(visits.map((visit) => visit.id as string))}`
    await ownerDb`delete from seals where number >= ${from}`
    await ownerDb`delete from visits where id in ${ownerDb(visits.map((visit) => visit.id as string))}`
  })
})
