import { AGAIN } from '../support/accounts'
import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { HousePage, StaffLink } from '#contracts/replies/house'
import type { LotHistory, ShelfPage } from '#contracts/replies/shelf'
import { productsOf } from '#core/record/bottles'
import { readParts } from '#core/visit/record'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, sealedVisit, someone } from '../support/visit'
import { product } from './houseRoutes'

const base = testUrl()
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  therapist = await signedIn(base, 'therapist')
})
const must = async (call: Caller, path: string, method: string, body: unknown) => {
  const reply = await call(path, { method, body })
  expect(reply.status, `${method} ${path}: ${reply.text}`).toBe(200)
  return reply.body
}
const shelf = async () => (await owner('/api/shelf?size=500&empty=yes')).body as ShelfPage
const historyOf = async (lot: string) =>
  (await owner(`/api/movements?lot=${lot}`)).body as LotHistory
const sumOf = ({ movements }: LotHistory) =>
  movements.reduce((sum, { millilitres }) => sum + Math.round(millilitres * 100), 0) / 100

describe('the house', () => {
  it('is changed by who has seen it as it is; the other is told', async () => {
    const { house } = (await owner('/api/house')).body as HousePage
    await must(owner, '/api/house', 'PUT', { ...house, phone: '+000 555 0141' })
    const late = await owner('/api/house', { method: 'PUT', body: { ...house, phone: 'x' } })
    expect(late.status).toBe(409)
    const now = ((await owner('/api/house')).body as HousePage).house
    expect(now.phone).toBe('+000 555 0141')
    await must(owner, '/api/house', 'PUT', { ...now, phone: house.phone })
    for (const wrong of [
      { timeZone: 'Middle/Earth' },
      { currency: 'XXQ' },
      { cleaningMinutes: 61 },
      { retentionYears: 0 },
      { name: '' },
    ]) {
      const reply = await owner('/api/house', { method: 'PUT', body: { ...now, ...wrong } })
      expect(reply.status, JSON.stringify(wrong)).toBe(400)
    }
  })
  it('keeps its last room open, and never the last owner out', async () => {
    const { rooms, people } = (await owner('/api/house')).body as HousePage
    const open = rooms.filter((room) => !room.closed)
    for (const room of open.slice(1))
      await must(owner, '/api/rooms', 'PUT', { ...room, closed: true })
    const last = await owner('/api/rooms', { method: 'PUT', body: { ...open[0], closed: true } })
    expect(last.status).toBe(422)
    for (const room of open) await must(owner, '/api/rooms', 'PUT', room)
    const me = people.find((person) => person.role === 'owner')
    const leave = await owner(`/api/staff/${me?.id ?? ''}`, {
      method: 'PATCH',
      body: { name: me?.name, email: me?.email, role: 'therapist', active: true },
    })
    expect(leave.status).toBe(422)
  })
  it('is begun once, whatever key is shown', async () => {
    const body = {
      key: 'x'.repeat(32),
      name: 'A',
      email: 'a@house.example',
      password: 'long enough a password',
      house: 'Taken',
      timeZone: 'UTC',
    }
    expect((await caller(base)('/api/setup', { method: 'POST', body })).status).toBe(403)
    expect(
      (await caller(base)('/api/setup', { method: 'POST', body: { ...body, key: '' } })).status,
    ).toBe(403)
    expect((await caller(base)('/api/setup')).body).toEqual({ open: false, ownerLinkAt: null })
  })
})

describe('who works here', () => {
  it('chooses a password by a link that opens once; who leaves is out at once', async () => {
    const id = randomUUID()
    const email = `${id}@house.example`
    const body = { id, name: 'New Hands', email, role: 'therapist' }
    const { token } = (await must(owner, '/api/staff', 'POST', body)) as StaffLink
    const again = (await must(owner, `/api/staff/${id}/link`, 'POST', AGAIN('owner'))) as StaffLink
    const join = (key: string) =>
      caller(base)('/api/join/submit', {
        method: 'POST',
        body: { token: key, password: 'a password of my own' },
      })
    expect((await join(token)).status, 'a newer link was made').toBe(404)
    const both = await Promise.all([join(again.token), join(again.token)])
    expect(both.map(({ status }) => status).sort()).toEqual([200, 404])
    const hands = caller(base)
    const signIn = () =>
      hands('/api/session', { method: 'POST', body: { email, password: 'a password of my own' } })
    expect((await signIn()).status).toBe(200)
    expect((await hands('/api/people')).status).toBe(200)
    const left = {
      ...{ name: 'New Hands', email, role: 'therapist', active: false },
      again: AGAIN('owner'),
    }
    await must(owner, `/api/staff/${id}`, 'PATCH', left)
    expect((await hands('/api/people')).status).toBe(401)
    expect((await signIn()).status).toBe(401)
  })
  it('is not taken in twice by one address, nor with a password that is too short', async () => {
    const body = { id: randomUUID(), name: 'x', email: 'TOMAS@oakbasin.example', role: 'trainee' }
    expect((await owner('/api/staff', { method: 'POST', body })).status).toBe(422)
    const { token } = (await must(owner, '/api/staff', 'POST', {
      ...body,
      email: `${body.id}@house.example`,
    })) as StaffLink
    const short = await caller(base)('/api/join/submit', {
      method: 'POST',
      body: { token, password: 'short' },
    })
    expect(short.status).toBe(400)
  })
})

describe('the shelf', () => {
  it('what is left of a bottle is the sum of its movements, and never below nothing', async () => {
    const id = randomUUID()
    const lotId = randomUUID()
    await must(therapist, '/api/products', 'POST', { id, ...product, name: 'Counted' })
    const bottle = { id: lotId, productId: id, code: 'C1', expires: '2031-01-01', millilitres: 10 }
    await must(therapist, '/api/lots', 'POST', bottle)
    await must(therapist, '/api/lots', 'POST', bottle)
    const own = (kind: string, more: object = {}) =>
      must(therapist, '/api/movements', 'POST', {
        id: randomUUID(),
        lotId,
        kind,
        reason: 'by hand',
        ...more,
      })
    await own('opened')
    await Promise.all([7.25, 4, 6.5].map((millilitres) => own('counted', { millilitres })))
    const left = async () =>
      (await shelf()).items
        .find((item) => item.product.id === id)
        ?.lots.find((lot) => lot.id === lotId)
    expect((await left())?.remainingMillilitres).toBe(sumOf(await historyOf(lotId)))
    expect((await left())?.openedOn).toBeDefined()
    await own('writtenOff')
    expect((await left())?.remainingMillilitres).toBe(0)
    expect(sumOf(await historyOf(lotId))).toBe(0)
    expect((await historyOf(lotId)).movements[0]).toMatchObject({ kind: 'received' })
  })
  it('a code that is called back stops every bottle of it, and says who had of it', async () => {
    const visit = await sealedVisit(owner, 'owner', await someone(owner, 'Had Of It'))
    const { treatment } = readParts((await bundleOf(owner, visit)).record)
    const took = (treatment?.lines ?? []).flatMap(productsOf)
    const [lot] = (await shelf()).items.flatMap(({ product: own, lots }) =>
      lots.filter(({ code }) => took.some(({ id, lot: from }) => id === own.id && from === code)),
    )
    if (!lot) throw new Error(`nothing was used at ${visit}`)
    expect((await historyOf(lot.id)).clients.map(({ name }) => name)).toContain('Had Of It')
    const body = { id: randomUUID(), code: lot.code.toLowerCase(), reason: 'the maker calls' }
    const found = (await must(owner, '/api/recalls', 'POST', body)) as {
      bottles: number
      clients: { name: string }[]
    }
    expect(found.bottles).toBe(1)
    expect(found.clients.map(({ name }) => name)).toContain('Had Of It')
    const after = (await shelf()).items.flatMap(({ lots }) => lots)
    expect(after.find(({ id }) => id === lot.id)?.trouble).toBe('recalled')
    const unknown = await owner('/api/recalls', { method: 'POST', body: { ...body, code: 'none' } })
    expect(unknown.status).toBe(422)
  })
  it('takes a product as its box says, and refuses what no box says', async () => {
    const id = randomUUID()
    const label = 'Ingredients: Aqua, 1,2-Hexanediol, Prunus Amygdalus Dulcis Oil.'
    await must(owner, '/api/products', 'POST', { id, ...product, label })
    const kept = (await shelf()).items.find((item) => item.product.id === id)
    expect(kept?.product.inci).toEqual(['Aqua', '1,2-Hexanediol', 'Prunus Amygdalus Dulcis Oil'])
    const change = { id, ...product, retired: true, version: 1 }
    await must(owner, '/api/products', 'PUT', change)
    expect((await owner('/api/products', { method: 'PUT', body: change })).status).toBe(409)
    for (const wrong of [
      { density: 0 },
      { density: 4 },
      { packMillilitres: 0 },
      { openMonths: 61 },
      { suits: [] },
      { kind: 'soup' },
      { kind: 'ampoule' },
      { acid: { name: 'glycolic', percent: 71 } },
      { pH: 15 },
      { name: '\u0000' },
    ]) {
      const reply = await owner('/api/products', {
        method: 'POST',
        body: { id: randomUUID(), ...product, ...wrong },
      })
      expect(reply.status, JSON.stringify(wrong)).toBe(400)
    }
  })
  it('the starter shelf is for an empty shelf', async () => {
    expect((await owner('/api/shelf/starter', { method: 'POST', body: {} })).status).toBe(422)
  })
})

describe('a password of one’s own', () => {
  it('is changed by the old one; other sessions end, this one stays', async () => {
    const id = randomUUID()
    const email = `${id}@house.example`
    const { token } = (await must(owner, '/api/staff', 'POST', {
      id,
      name: 'Changes It',
      email,
      role: 'therapist',
    })) as StaffLink
    const first = 'the first of them all'
    const here = caller(base)
    await must(here, '/api/join/submit', 'POST', { token, password: first })
    const there = caller(base)
    await must(there, '/api/session', 'POST', { email, password: first })
    const next = 'the second of them all'
    const put = (now: string) =>
      here('/api/session/password', { method: 'PUT', body: { now, next } })
    expect((await put('not it at all, no')).status).toBe(401)
    expect((await put(first)).status).toBe(200)
    expect((await here('/api/people')).status).toBe(200)
    expect((await there('/api/people')).status).toBe(401)
  })
})
