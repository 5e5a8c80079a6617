import { spawnSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { ClientPractices } from '#contracts/replies/branches'
import type { Place } from '#contracts/replies/house'
import { COST_IDS } from '#core/catalogue/rules/costs'
import type { Me } from '#core/visit/bundle'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Cluster } from '../../../scripts/cluster.mjs'
import { ensurePostgres } from '../../../scripts/postgres.mjs'
import { ROOT } from '../../../scripts/say.mjs'
import { ACCOUNTS } from '../../support/accounts'
import { caller, signedIn, type Caller } from '../../support/http'
import {
  book,
  bundleOf,
  preparedAt,
  sealedVisit,
  someone,
  STAFF,
  throughTheRoom,
} from '../../support/visit'
import {
  beginAt,
  everything,
  HARBOUR,
  HARBOUR_NAME,
  inAs,
  joins,
  fillShelf,
  openTwoPractices,
  type TwoPractices,
} from '../../support/twoPractices'

/** Several practices in one house: how each begins, who works in both, who is seen in both. */
const HOUSE = 'branches-practices'
let two: TwoPractices
beforeAll(async () => {
  two = await openTwoPractices(HOUSE, 24_870)
})
afterAll(() => two?.close())

describe('a practice that is added', () => {
  it('is begun once, by its own key alone', async () => {
    const anyone = caller(two.address)
    const open = (key: string) => anyone('/api/setup/open', { method: 'POST', body: { key } })
    expect((await open(two.key)).body, 'begun already').toEqual({ open: false })
    expect((await open('x'.repeat(32))).body).toEqual({ open: false })
    expect((await beginAt(two.address, two.key)).status).toBe(409)
    expect((await beginAt(two.address, 'x'.repeat(32))).status).toBe(403)
  })
  it('begins empty, with its own room, and numbers its own records', async () => {
    const house = (await two.sanne('/api/house')).body as { rooms: unknown[]; products: number }
    expect(house).toMatchObject({ products: 0, rooms: [{ name: 'Room 1' }] })
    await sealedVisit(two.owner, 'owner', 'other-1')
    expect((await two.sanne('/api/practice/chain')).body).toMatchObject({ total: 0 })
    expect((await two.owner('/api/practice/chain')).body).not.toMatchObject({ total: 0 })
  })
  it('may call its rooms and people what others do', async () => {
    const [name] = everything(
      two.cluster,
      `select name from rooms where branch_id = '${two.first}' limit 1`,
    )
    const room = { id: randomUUID(), name, closed: false }
    expect((await two.sanne('/api/rooms', { method: 'PUT', body: room })).status).toBe(200)
  })
  it('keeps costs and tools of its own', async () => {
    const [cost = ''] = COST_IDS
    const put = (call: Caller, cents: number) =>
      call('/api/money/costs', { method: 'PUT', body: { version: 0, cents: { [cost]: cents } } })
    expect((await put(two.sanne, 77)).status).toBe(200)
    expect((await put(two.sanne, 78)).status, 'of another version').toBe(409)
    expect((await two.owner('/api/money')).text).not.toContain('77')
    const tool = { tool: 'goggles', pieces: 3, contactMinutes: 11 }
    expect((await two.sanne('/api/tools', { method: 'PUT', body: tool })).status).toBe(200)
    expect((await two.owner('/api/tools')).text).not.toContain('"contactMinutes":11')
  })
})

describe('one backup', () => {
  const folder = mkdtempSync(join(tmpdir(), 'oak-practices-'))
  const [BACK, ALONE] = ['branches-back', 'branches-alone']
  const tool = (data: string, args: string[]) => {
    const env = { ...process.env, OAK_DATA: data, OAK_PASSPHRASE: 'four words are good' }
    const run = spawnSync('./house', args, { cwd: ROOT, encoding: 'utf8', env })
    return { code: run.status, said: run.stdout + run.stderr }
  }
  const cluster = async (name: string) => new Cluster(await ensurePostgres(), name)
  const clear = async () => {
    for (const name of [BACK, ALONE]) (await cluster(name)).remove()
  }
  beforeAll(clear)
  afterAll(async () => {
    await clear()
    rmSync(folder, { recursive: true, force: true })
  })
  it('holds them all, and each sees its own again where it is put back', async () => {
    const made = tool(HOUSE, ['backup', folder])
    expect(made.code, made.said).toBe(0)
    const [file = ''] = readdirSync(folder)
    const restored = tool(BACK, ['restore', join(folder, file)])
    expect(restored.code, restored.said).toBe(0)
    expect(restored.said).toContain('all equal')
    const verified = tool(BACK, ['verify'])
    expect(verified.said).toContain(`of ${HARBOUR_NAME} are valid`)
    expect(tool(BACK, ['practices']).said).toContain(HARBOUR_NAME)
    const back = await cluster(BACK)
    await back.up()
    const open = `select count(*) from pg_class where relrowsecurity and relname in ('clients', 'visits')`
    expect(everything(back, open)).toEqual(['2'])
    back.down()
  })
  it('is not needed to leave: one practice is written alone, and stands alone', async () => {
    const document = join(folder, 'harbour.json')
    expect(tool(HOUSE, ['export', document]).said).toContain('Which practice?')
    const written = tool(HOUSE, ['export', document, '--practice', HARBOUR_NAME])
    expect(written.code, written.said).toBe(0)
    const text = readFileSync(document, 'utf8')
    expect(text).toContain(HARBOUR.email)
    expect(text).not.toContain(ACCOUNTS.owner.email)
    expect(text).not.toContain('branch_id')
    const taken = tool(ALONE, ['import', document])
    expect(taken.code, taken.said).toBe(0)
    expect(tool(ALONE, ['practices']).said.trim()).toBe(HARBOUR_NAME)
  })
})

describe('somebody who works in two practices', () => {
  const { email, password, name } = ACCOUNTS.therapist
  let there: string
  beforeAll(async () => {
    there = await joins(two, { email, password, name })
  })
  it('is asked where they are, only once the password is right', async () => {
    const anyone = caller(two.address)
    const wrong = await anyone('/api/session', {
      method: 'POST',
      body: { email, password: 'not this one' },
    })
    expect(wrong.status).toBe(401)
    expect(wrong.text).not.toContain(HARBOUR_NAME)
    const asked = await anyone('/api/session', { method: 'POST', body: { email, password } })
    expect(asked.status).toBe(409)
    expect(asked.body).toMatchObject({
      fields: [
        { field: 'branch', given: two.first },
        { field: 'branch', given: two.harbour, allowed: HARBOUR_NAME },
      ],
    })
  })
  it('is in the one they say, and in no other', async () => {
    const call = await inAs(two.address, { email, password }, two.harbour)
    expect((await call('/api/session')).body as Me).toMatchObject({
      id: there,
      practice: HARBOUR_NAME,
    })
    const other = await inAs(two.address, { email, password }, two.first)
    expect((await other('/api/session')).body as Me).toMatchObject({ id: STAFF.therapist })
    const elsewhere = { email: HARBOUR.email, password: HARBOUR.password, branch: two.first }
    const refused = await caller(two.address)('/api/session', { method: 'POST', body: elsewhere })
    expect(refused.status).toBe(401)
  })
  it('is not booked in two at once, nor offered', async () => {
    const visit = await book(two.owner, 'therapist', 'other-2')
    const { startsAt } = (await bundleOf(two.owner, visit)).visit
    const client = await someone(two.sanne, 'Harbour Guest')
    const house = (await two.sanne('/api/house')).body as { rooms: { id: string }[] }
    const body = {
      ...{ id: randomUUID(), clientId: client, staffId: there, minutes: 60 },
      ...{ roomId: house.rooms[0]?.id, startsAt: new Date(startsAt).toISOString() },
    }
    const clash = await two.sanne('/api/visits', { method: 'POST', body })
    expect(clash.status).toBe(409)
    expect(clash.text).toContain('a visit in another practice')
    const day = new Date(startsAt).toISOString().slice(0, 10)
    const query = `from=${day}&days=1&minutes=60&staffId=${there}&most=200`
    const places = (await two.sanne(`/api/places?${query}`)).body as Place[]
    const at = new Date(startsAt).getTime()
    expect(places.length).toBeGreaterThan(0)
    expect(
      places.filter((place) => Math.abs(new Date(place.startsAt).getTime() - at) < 60 * 60_000),
    ).toEqual([])
  })
  it('leaves one, and stays in the other', async () => {
    const again = { password: HARBOUR.password }
    const body = { name, email, role: 'therapist', active: false, again }
    expect((await two.sanne(`/api/staff/${there}`, { method: 'PATCH', body })).status).toBe(200)
    const call = await inAs(two.address, { email, password })
    expect((await call('/api/session')).body as Me).toMatchObject({ id: STAFF.therapist })
  })
})

describe('a client who may be seen at another practice', () => {
  let client: string
  let there: string
  let lastDay = 60
  const put = (call: Caller, body: object) =>
    call(`/api/people/${client}/practices`, { method: 'PUT', body })
  const allow = () => put(two.owner, { branch: two.harbour, allowed: true, agreed: true })
  const pastAt = async (call: Caller, visit: string) => (await bundleOf(call, visit)).past
  const bookedThere = async () => {
    const house = (await two.sanne('/api/house')).body as {
      rooms: { id: string }[]
      people: { id: string; email: string }[]
    }
    const id = randomUUID()
    const startsAt = new Date(Date.now() + (lastDay += 1) * 86_400_000).toISOString()
    const staffId = house.people.find(({ email }) => email === HARBOUR.email)?.id
    const body = { id, clientId: there, staffId, roomId: house.rooms[0]?.id, startsAt, minutes: 60 }
    const reply = await two.sanne('/api/visits', { method: 'POST', body })
    expect(reply.status, reply.text).toBe(200)
    return id
  }
  beforeAll(async () => {
    fillShelf(two)
    client = await someone(two.owner, 'Both Sides', '1979-09-09')
    await sealedVisit(two.owner, 'owner', client)
  })
  it('needs the client’s word and an owner’s', async () => {
    const unasked = { branch: two.harbour, allowed: true }
    expect((await put(two.owner, unasked)).status).toBe(400)
    const therapist = await signedIn(two.address, 'therapist')
    expect((await put(therapist, { ...unasked, agreed: true })).status).toBe(403)
    expect((await put(two.owner, { ...unasked, branch: randomUUID(), agreed: true })).status).toBe(
      404,
    )
  })
  it('has a file there, and what was done here counts there', async () => {
    expect((await allow()).status).toBe(200)
    expect((await allow()).status, 'twice is once').toBe(200)
    const { people } = (await two.sanne('/api/people?q=Both')).body as {
      people: { id: string }[]
    }
    expect(people).toHaveLength(1)
    there = people[0]?.id ?? ''
    const visit = await bookedThere()
    const { past, poured } = await bundleOf(two.sanne, visit)
    expect(past.length).toBeGreaterThan(0)
    expect(poured.length).toBeGreaterThan(0)
    const home = (await two.owner(`/api/people/${client}`)).body as { poured: unknown[] }
    const guest = (await two.sanne(`/api/people/${there}`)).body as { poured: unknown[] }
    expect(guest.poured).toEqual(home.poured)
  })
  it('is a guest there: whose client they are decides', async () => {
    const at = (await two.sanne(`/api/people/${there}/practices`)).body as ClientPractices
    expect(at.home).not.toBeNull()
    expect(at.treated).toHaveLength(1)
    const body = { branch: two.first, allowed: false }
    const refused = await two.sanne(`/api/people/${there}/practices`, { method: 'PUT', body })
    expect(refused.status).toBe(422)
    // The file of the other practice itself stays closed.
    expect((await two.sanne(`/api/people/${client}`)).status).toBe(404)
  })
  it('brings back what was done there, from the taps on', async () => {
    const here = await book(two.owner, 'owner', client)
    const before = (await pastAt(two.owner, here)).length
    const id = await bookedThere()
    await preparedAt(two.sanne, id)
    const started = await two.sanne(`/api/visits/${id}/start`, { method: 'POST' })
    expect(started.status, started.text).toBe(200)
    await throughTheRoom(two.sanne, id)
    expect((await pastAt(two.owner, here)).length).toBe(before + 1)
  })
  it('ends: nothing of the one counts at the other any longer', async () => {
    expect((await put(two.owner, { branch: two.harbour, allowed: false })).status).toBe(200)
    const visit = await bookedThere()
    const own = await pastAt(two.sanne, visit)
    expect(own.length, 'its own alone').toBe(1)
    expect((await allow()).status).toBe(200)
    const { people } = (await two.sanne('/api/people?q=Both')).body as { people: unknown[] }
    expect(people, 'the file they had').toHaveLength(1)
    expect((await pastAt(two.sanne, visit)).length).toBe(2)
  })
  const ALLOWED = '"action":"client.share","allowed":true'
  it('is told apart in the audit of each', async () => {
    expect((await two.owner('/api/audit')).text).toContain(ALLOWED)
    expect((await two.sanne('/api/audit')).text).not.toContain(ALLOWED)
  })
})
