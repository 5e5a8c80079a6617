import { randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/replies/clientFile'
import type { FilesOfOne, LikelyPairs, PeoplePage } from '#contracts/replies/people'
import { signedIn, testUrl, type Caller } from '../support/http'
import { asked, bundleOf, prepared, someone } from '../support/visit'

const base = testUrl()
const sql = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 1, onnotice: () => {} })
afterAll(() => sql.end())
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const post = (path: string, body: object) => owner(path, { method: 'POST', body })
const join = (kept: string, other: string, id: string = randomUUID()) =>
  post(`/api/people/${kept}/join`, { id, otherId: other })
const fileOf = async (id: string) => (await owner(`/api/people/${id}`)).body as ClientFile
const filesOf = async (id: string) => (await owner(`/api/people/${id}/joins`)).body as FilesOfOne
async function told(id: string, more: object) {
  const { client } = await fileOf(id)
  const { name, born, phone, email, work, medicines, notes, faceHeightMm, faceWidthMm } = client
  const fields = { name, born, phone, email, work, medicines, notes, faceHeightMm, faceWidthMm }
  const texts = Object.fromEntries(Object.entries(fields).map(([key, own]) => [key, own ?? '']))
  const body = { version: client.version, ...texts, ...more }
  const reply = await owner(`/api/people/${id}`, { method: 'PATCH', body })
  expect(reply.status, reply.text).toBe(200)
}
/** Two files of one person, each with a visit of its own. */
async function twoFiles(name: string) {
  const kept = await someone(owner, name)
  const other = await someone(owner, name)
  const here = await asked(owner, 'owner', kept)
  const there = await prepared(owner, 'owner', other)
  return { kept, other, here, there }
}
/** Every row that hangs on a client, by table, as the database itself knows them. */
async function hangingOn(clientId: string): Promise<Record<string, number>> {
  const tables = await sql<{ name: string }[]>`select distinct conrelid::regclass::text as name
    from pg_constraint where contype = 'f' and confrelid = 'clients'::regclass`
  const counts = await Promise.all(
    tables.map(async ({ name }) => {
      const [row] = await sql<{ n: number }[]>`
        select count(*)::int as n from ${sql(name)} where client_id = ${clientId}`
      return [name, row?.n ?? 0] as const
    }),
  )
  return Object.fromEntries(counts)
}

describe('two files of one person', () => {
  it('are listed two and two for the owner, each pair once, until they are joined', async () => {
    const born = '1971-11-12'
    // Early in the alphabet: what other tests leave behind must not push them off the list.
    const names = ['Aa Pair Listed', 'AA pair listed', 'Aa Other Name Here']
    const [one, other, third] = await Promise.all(names.map((name) => someone(owner, name, born)))
    const pairsOf = async () => {
      const { pairs } = (await owner('/api/clients/doubles')).body as LikelyPairs
      return pairs
        .map((pair) => [pair.one.id, pair.other.id].sort())
        .filter((ids) => ids.some((id) => [one, other, third].includes(id)))
    }
    expect(await pairsOf()).toEqual([[one, other].sort()])
    // Another name with the same birthday and telephone; written differently.
    await told(one ?? '', { phone: '+000 555 0177' })
    await told(third ?? '', { phone: '000-555-0177' })
    expect((await pairsOf()).sort()).toEqual([[one, other].sort(), [one, third].sort()].sort())
    expect((await join(one ?? '', other ?? '')).status).toBe(200)
    expect(await pairsOf()).toEqual([[one, third].sort()])
    const therapist = await signedIn(base, 'therapist')
    expect((await therapist('/api/clients/doubles')).status).toBe(403)
  })
  it('are listed by name up to a number, and it is said that there are more', async () => {
    const name = `A Often ${randomUUID().slice(0, 8)}`
    // Twelve files of one name are sixty-six pairs.
    const same = await Promise.all(
      Array.from({ length: 12 }, () => someone(owner, name, '1970-01-02')),
    )
    const { pairs, more } = (await owner('/api/clients/doubles')).body as LikelyPairs
    expect(more).toBe(true)
    expect(pairs).toHaveLength(50)
    expect(pairs[0]?.one.name).toBe(name)
    expect(same).toContain(pairs[0]?.one.id)
    const found = await Promise.all(same.map((id) => filesOf(id)))
    expect(found.map(({ likely }) => likely.length)).toEqual(same.map(() => 11))
    // Out of the way of other lists.
    await sql`update clients set name = id::text where id = any(${same})`
  })
  it('are offered where name and birthday agree, and not where the birthday is another', async () => {
    const name = `Twice ${randomUUID().slice(0, 8)}`
    const [one, two, younger] = [
      await someone(owner, name, '1980-02-03'),
      await someone(owner, name.toUpperCase(), '1980-02-03'),
      await someone(owner, name, '1999-09-09'),
    ]
    const { likely } = await filesOf(one)
    expect(likely.map(({ id }) => id)).toEqual([two])
    expect((await filesOf(younger)).likely).toEqual([])
  })
  it('become one with everything that hung on either, and two again with what each had', async () => {
    const { kept, other, here, there } = await twoFiles('Join Both')
    await told(other, { phone: '+000 555 0123', medicines: 'Isotretinoin', notes: 'likes quiet' })
    await told(kept, { medicines: 'none so far', notes: '' })
    const before = { kept: await hangingOn(kept), other: await hangingOn(other) }
    const files = { kept: await fileOf(kept), other: await fileOf(other) }
    const done = await join(kept, other)
    expect(done.status, done.text).toBe(200)
    const joined = await hangingOn(kept)
    for (const [table, count] of Object.entries(joined))
      expect(count, table).toBe((before.kept[table] ?? 0) + (before.other[table] ?? 0))
    for (const visit of [here, there])
      expect((await bundleOf(owner, visit)).client.id, visit).toBe(kept)
    // What either said of medicines is read by the next visit of the one person.
    const { client } = await fileOf(kept)
    expect(client.medicines).toContain('Isotretinoin')
    expect(client.medicines).toContain('none so far')
    expect(client.phone).toBe('+000 555 0123')
    expect((await owner(`/api/people/${other}`)).status).toBe(404)
    const list = (await owner('/api/people?q=Join%20Both&size=100')).body as PeoplePage
    expect(list.people.some(({ id }) => id === other)).toBe(false)
    const [made] = (await filesOf(kept)).joined
    const parted = await post(`/api/people/${kept}/part`, { joinId: made?.id })
    expect(parted.status, parted.text).toBe(200)
    expect(await hangingOn(kept)).toEqual(before.kept)
    expect(await hangingOn(other)).toEqual(before.other)
    for (const [id, was] of [
      [kept, files.kept],
      [other, files.other],
    ] as const) {
      const { version: _now, ...now } = (await fileOf(id)).client
      const { version: _then, ...then } = was.client
      expect(now).toEqual(then)
    }
    expect((await filesOf(kept)).joined).toEqual([])
  })
  it('keeps what was written after the joining where it was written', async () => {
    const { kept, other } = await twoFiles('Join Later')
    expect((await join(kept, other)).status).toBe(200)
    await told(kept, { notes: 'written since' })
    const later = await asked(owner, 'owner', kept)
    const [made] = (await filesOf(kept)).joined
    expect((await post(`/api/people/${kept}/part`, { joinId: made?.id })).status).toBe(200)
    expect((await fileOf(kept)).client.notes).toBe('written since')
    expect((await bundleOf(owner, later)).client.id).toBe(kept)
  })
  it('sent twice is joined once; at once and both ways, one of them wins; itself never', async () => {
    const { kept, other } = await twoFiles('Join Once')
    expect((await join(kept, kept)).status).toBe(422)
    const both = await Promise.all([join(kept, other), join(other, kept)])
    expect(both.filter(({ status }) => status === 200)).toHaveLength(1)
    const stays = both[0]?.status === 200 ? kept : other
    const id = (await filesOf(stays)).joined[0]?.id ?? ''
    const gone = stays === kept ? other : kept
    expect((await join(stays, gone, id)).status).toBe(200)
    expect((await filesOf(stays)).joined).toHaveLength(1)
  })
  it('is written down for both deeds, and nobody but an owner does it', async () => {
    const { kept, other } = await twoFiles('Join Audit')
    const therapist = await signedIn(base, 'therapist')
    const refused = await therapist(`/api/people/${kept}/join`, {
      method: 'POST',
      body: { id: randomUUID(), otherId: other },
    })
    expect(refused.status).toBe(403)
    await join(kept, other)
    const joinId = (await filesOf(kept)).joined[0]?.id
    await post(`/api/people/${kept}/part`, { joinId })
    const rows = await sql`
      select action, allowed from audit where client_id = ${kept}
      and action in ('client.join', 'client.part') order by id`
    expect(rows.map(({ action, allowed }) => [action, allowed])).toEqual([
      ['client.join', false],
      ['client.join', true],
      ['client.part', true],
    ])
  })
  it('is wiped with the file that was kept, and cannot be brought back then', async () => {
    const kept = await someone(owner, 'Join Erased')
    const other = await someone(owner, 'Join Erased')
    expect((await join(kept, other)).status).toBe(200)
    await sql`select erase_client(${kept}::uuid)`
    const [row] =
      await sql`select joined, filled, dropped from client_joins where kept_id = ${kept}`
    expect(row).toMatchObject({ joined: null, filled: null, dropped: [] })
  })
})
