import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HousePage } from '#contracts/replies/house'
import { TABLE } from '../../api/accessTable'
import type { Row } from '../../api/rights'
import { sealedVisit, someone } from '../../support/visit'
import { everything, openTwoPractices, type TwoPractices } from '../../support/twoPractices'

/**
 * Several practices in one database: what the owner of one, who may do everything there, may do with
 * what is another's. It is nothing, on every route and in every table.
 */
let two: TwoPractices
let theirs: Record<'visit' | 'client', string>
/** Words and ids of the first practice that nobody of the second may read. */
let secrets: string[]

const OF_ALL = ['branches', 'client_shares', 'house_kind', 'login_attempts', 'backups', 'pulse']
let tables: string[] = []
/** Every row of the first practice, as it stands; sessions are seen anew with each request. */
const standing = () =>
  everything(
    two.cluster,
    tables
      .filter((table) => !['sessions', 'audit'].includes(table))
      .map(
        (table) =>
          `select '${table} ' || count(*) || ' ' || coalesce(md5(string_agg(t::text, '' order by t::text)), '')
           from "${table}" t where branch_id = '${two.first}'`,
      )
      .join(' union all '),
  )

beforeAll(async () => {
  two = await openTwoPractices('branches-access', 24_840)
  const client = randomUUID()
  await two.owner('/api/people', {
    method: 'POST',
    body: {
      ...{ id: client, name: 'Quiet Secret', born: '1980-02-02', phone: '', email: '' },
      ...{ work: 'Lighthouse keeper', medicines: 'Sertraline', notes: '' },
      ...{ faceHeightMm: 190, faceWidthMm: 140 },
    },
  })
  theirs = { client, visit: await sealedVisit(two.owner, 'owner', client) }
  tables = everything(
    two.cluster,
    `select tablename from pg_tables where schemaname = 'public' order by 1`,
  ).filter((table) => !OF_ALL.includes(table))
  const words = ['clients', 'staff', 'rooms', 'products', 'protocols', 'devices', 'lots']
    .map((table) => `select id::text from "${table}" where branch_id = '${two.first}'`)
    .concat(`select name from clients where branch_id = '${two.first}'`)
    .concat(`select name from staff where branch_id = '${two.first}'`)
  secrets = everything(two.cluster, words.join(' union ')).filter((word) => word.length > 5)
})
afterAll(() => two?.close())

const ask = (row: Row) => {
  const [method = 'GET', path = ''] = row.route.split(' ')
  const id = row.object ? theirs[row.object] : randomUUID()
  const asked = row.query === undefined ? path : `${path}?${row.query}`
  return two.sanne(asked.replace('[id]', id), {
    method,
    ...(row.body ? { body: row.body(id, 'owner') } : {}),
  })
}
/** Ends the session that asks: its own test has it. */
const endsIt = (row: Row) =>
  ['POST /api/session/revoke', 'POST /api/session/lock'].includes(row.route)

describe('on every route, the owner of another practice', () => {
  it('does nothing to a visit or a client of the first, and reads nothing', async () => {
    const before = standing()
    const rows = TABLE.filter(({ object }) => object !== undefined)
    expect(rows.length).toBeGreaterThan(50)
    for (const row of rows) {
      const { status, text } = await ask(row)
      // Whatever else a route asks first, it never gets as far as finding the other's file.
      expect([404, 400, 422], `${row.route}: ${text.slice(0, 200)}`).toContain(status)
      if (row.route.startsWith('GET')) expect(status, row.route).toBe(404)
    }
    expect(standing()).toEqual(before)
  })
  it('finds nobody and nothing of it in any list', async () => {
    const lists = TABLE.filter(
      (row) => row.object === undefined && row.route.startsWith('GET') && !endsIt(row),
    )
    const more = ['/api/people?q=Quiet', '/api/day', '/api/audit', '/api/people/doubles']
    const replies = [...lists.map(ask), ...more.map((path) => two.sanne(path))]
    for (const reply of replies) {
      const { text } = await reply
      expect(secrets.filter((word) => text.includes(word))).toEqual([])
    }
    expect(secrets.length).toBeGreaterThan(60)
    const own = await two.owner('/api/people?q=Quiet')
    expect(own.text, 'the first practice finds it').toContain(theirs.client)
  })
  it('changes nothing of it by any other writing', async () => {
    const before = standing()
    for (const row of TABLE)
      if (row.object === undefined && !row.route.startsWith('GET') && !endsIt(row)) {
        const { status, text } = await ask(row)
        expect(status, `${row.route}: ${text.slice(0, 200)}`).toBeLessThan(500)
      }
    expect(standing()).toEqual(before)
  })
  it('cannot put the ids of the first practice into its own files', async () => {
    const before = standing()
    const [room] = everything(
      two.cluster,
      `select id from rooms where branch_id = '${two.first}' limit 1`,
    )
    const taken = await two.sanne('/api/rooms', {
      method: 'PUT',
      body: { id: room, name: 'Mine now', closed: false },
    })
    expect(taken.status).toBe(409)
    const house = (await two.sanne('/api/house')).body as HousePage
    const visit = {
      ...{ id: randomUUID(), clientId: await someone(two.sanne), staffId: house.people[0]?.id },
      ...{ roomId: room, startsAt: '2031-03-03T10:00:00Z', minutes: 60 },
    }
    expect((await two.sanne('/api/visits', { method: 'POST', body: visit })).status).toBe(422)
    const [tomas] = everything(
      two.cluster,
      `select id from staff where branch_id = '${two.first}' and role = 'therapist' limit 1`,
    )
    const again = { password: 'boats in the early fog' }
    const body = { name: 'Mine', email: 'm@x.example', role: 'therapist', active: false, again }
    expect((await two.sanne(`/api/staff/${tomas}`, { method: 'PATCH', body })).status).toBe(404)
    expect(standing()).toEqual(before)
  })
})

describe('in every table, a connection of another practice', () => {
  const asHarbour = async <Result>(work: (sql: postgres.Sql) => Promise<Result>) => {
    const connection = { 'oak.branch': two.harbour }
    const sql = postgres(two.cluster.url('app'), { max: 1, onnotice: () => {}, connection })
    try {
      return await work(sql)
    } finally {
      await sql.end()
    }
  }
  it('sees, changes and takes away no row of the first', async () => {
    await asHarbour(async (sql) => {
      for (const table of tables) {
        const [row] = await sql.unsafe<{ n: number }[]>(
          `select count(*)::int as n from "${table}" where branch_id <> '${two.harbour}'`,
        )
        expect(row?.n, table).toBe(0)
        const change = `update "${table}" set branch_id = branch_id where branch_id = '${two.first}'`
        const away = `delete from "${table}" where branch_id = '${two.first}'`
        for (const deed of [change, away])
          await sql.unsafe(deed).then(
            ({ count }) => expect(count, deed).toBe(0),
            (error: { code: string }) => expect(error.code, deed).toBe('42501'),
          )
      }
    })
  })
  it('writes none that is the first one’s', async () => {
    await asHarbour(async (sql) => {
      const row = { id: randomUUID(), name: 'Planted', created_by: randomUUID() }
      const planted = sql`insert into clients ${sql({ ...row, branch_id: two.first })}`
      await expect(planted).rejects.toMatchObject({ code: '42501' })
      const moved = sql`update rooms set name = 'x' where branch_id = ${two.first}`
      expect((await moved).count).toBe(0)
      await expect(sql`select add_branch(${randomUUID()}::uuid, 'Mine', null)`).rejects.toThrow(
        'permission denied',
      )
    })
  })
  it('has none without the rule: each is of a practice, or of all by name', () => {
    const open = everything(
      two.cluster,
      `select c.relname from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where n.nspname = 'public' and c.relkind = 'r' and not
         (c.relrowsecurity and c.relforcerowsecurity
          and exists (select 1 from pg_policy p where p.polrelid = c.oid))`,
    )
    expect(open.sort()).toEqual(OF_ALL.filter((table) => table !== 'client_shares').sort())
  })
})
