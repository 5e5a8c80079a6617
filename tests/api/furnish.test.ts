import { randomUUID } from 'node:crypto'
import { TOTP } from 'otpauth'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DayPage } from '#contracts/replies/day'
import type { DeviceLine, HousePage, StaffLink } from '#contracts/replies/house'
import type { RecoveryCodes } from '#contracts/replies/people'
import type { LotHistory, ShelfPage } from '#contracts/replies/shelf'
import { AGAIN } from '../support/accounts'
import { toPlanInput } from '#core/visit/planInput'
import { demoId } from '#db/demo/ids'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, ROOM } from '../support/visit'
import { product } from './houseRoutes'

/** Keeping a house: its shelf, its devices with their parts, and who may sign in. */
const base = testUrl()
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  ;[owner, therapist] = await Promise.all([signedIn(base, 'owner'), signedIn(base, 'therapist')])
})
const must = async (call: Caller, path: string, method: string, body: unknown) => {
  const reply = await call(path, { method, body })
  expect(reply.status, `${method} ${path}: ${reply.text}`).toBe(200)
  return reply.body
}
const shelf = async (query: string) => (await owner(`/api/shelf?${query}`)).body as ShelfPage
const titles = async () =>
  ((await owner('/api/day')).body as DayPage).dues.map(({ title }) => title)

/** So many products of one word, each with a bottle of so many millilitres. */
async function products(word: string, amounts: readonly number[], more: object = {}) {
  const made: { id: string; lotId: string }[] = []
  for (const [at, millilitres] of amounts.entries()) {
    const id = randomUUID()
    const lotId = randomUUID()
    const name = `${word} ${String(at).padStart(2, '0')}`
    await must(therapist, '/api/products', 'POST', { id, ...product, name, ...more })
    const bottle = { id: lotId, productId: id, code: `${word}-${at}`, expires: '2031-01-01' }
    await must(therapist, '/api/lots', 'POST', { ...bottle, millilitres })
    made.push({ id, lotId })
  }
  return made
}

describe('the shelf', () => {
  it('is sought, sorted and paged by the house; every product stands on one page', async () => {
    const word = `Paged${randomUUID().slice(0, 8)}`
    await products(word, [30, 10, 20, 50, 40])
    const names: string[] = []
    for (let page = 1; page <= 3; page++) {
      const one = await shelf(`q=${word}&size=2&page=${page}&sort=left`)
      expect([one.total, one.pages]).toEqual([5, 3])
      names.push(...one.items.map((item) => item.product.name.slice(-2)))
    }
    expect(names).toEqual(['01', '02', '00', '04', '03'])
    expect(
      (await shelf(`q=${word}&sort=name`)).items.map(({ leftMillilitres }) => leftMillilitres),
    ).toEqual([30, 10, 20, 50, 40])
    expect((await shelf('q=nothing%20has%20this%20name')).items).toEqual([])
  })
  it('is counted at once: what differs becomes a line, all of it or none', async () => {
    const made = await products(`Counted${randomUUID().slice(0, 8)}`, [30, 10])
    const counts = made.map(({ lotId }, at) => ({
      id: randomUUID(),
      lotId,
      millilitres: [25.5, 10][at],
    }))
    const wrong = [...counts, { id: randomUUID(), lotId: 'not there', millilitres: 1 }]
    const refused = await owner('/api/stocktakes', {
      method: 'POST',
      body: { reason: 'x', counts: wrong },
    })
    expect(refused.status).toBe(422)
    const historyOf = async (lot = '') =>
      (await owner(`/api/movements?lot=${lot}`)).body as LotHistory
    expect((await historyOf(made[0]?.lotId)).movements).toHaveLength(1)
    const body = { reason: 'month end', counts }
    expect(await must(therapist, '/api/stocktakes', 'POST', body)).toEqual({
      bottles: 2,
      changed: 1,
    })
    expect((await historyOf(made[0]?.lotId)).movements.at(-1)).toMatchObject({
      kind: 'counted',
      millilitres: -4.5,
      reason: 'month end',
    })
    expect((await historyOf(made[1]?.lotId)).movements).toHaveLength(1)
  })
  it('says what runs below its mark, until more has come', async () => {
    const word = `Low${randomUUID().slice(0, 8)}`
    const [made] = await products(word, [19], { reorderMillilitres: 20 })
    expect((await shelf(`q=${word}&low=yes`)).items).toHaveLength(1)
    expect(await titles()).toContain(`${word} 00`)
    const bottle = { id: randomUUID(), productId: made?.id, code: 'M', expires: '2031-01-01' }
    await must(therapist, '/api/lots', 'POST', { ...bottle, millilitres: 1 })
    expect((await shelf(`q=${word}&low=yes`)).items).toEqual([])
    expect(await titles()).not.toContain(`${word} 00`)
  })
  it('takes products from a file whole, or not at all where one was changed meanwhile', async () => {
    const word = `File${randomUUID().slice(0, 8)}`
    const [made] = await products(word, [10])
    const change = { id: made?.id, version: 1, retired: false, ...product, name: `${word} dearer` }
    const add = [{ id: randomUUID(), ...product, name: `${word} new` }]
    const body = { add, change: [{ ...change, priceCents: 1250 }] }
    expect(await must(therapist, '/api/products/imports', 'POST', body)).toEqual({
      added: 1,
      changed: 1,
    })
    const late = { add: [{ ...add[0], id: randomUUID() }], change: [change] }
    expect((await owner('/api/products/imports', { method: 'POST', body: late })).status).toBe(409)
    expect((await shelf(`q=${word}`)).items.map(({ product: own }) => own.name).sort()).toEqual([
      `${word} dearer`,
      `${word} new`,
    ])
  })
})

describe('a device', () => {
  const house = async () => (await owner('/api/house')).body as HousePage
  const keep = (device: DeviceLine, more: object) =>
    must(owner, '/api/devices', 'PUT', { ...device, ...more })
  it('that stands in another room is not planned with here', async () => {
    const id = await book(owner, 'owner', 'other-11')
    const wand = (await house()).devices.find(({ kind }) => kind === 'highFrequencyWand')
    if (!wand) throw new Error('the demo has one')
    const at = async () => toPlanInput(await bundleOf(owner, id)).devices
    expect(await at()).toContain('highFrequencyWand')
    await keep(wand, { roomIds: [demoId('room-stove')] })
    expect(await at()).not.toContain('highFrequencyWand')
    await keep(wand, { roomIds: [demoId('room-stove'), ROOM] })
    expect(await at()).toContain('highFrequencyWand')
    await keep(wand, { roomIds: [] })
  })
  it('has its parts with their counts; the one that runs short is said', async () => {
    const pen = (await house()).devices.find(({ kind }) => kind === 'needlingPen')
    if (!pen) throw new Error('the demo has one')
    const part = { id: randomUUID(), name: 'Needle head 0.25', pieces: 3, reorderPieces: 4 }
    await keep(pen, { parts: [part] })
    expect(await titles()).toContain(`Needle head 0.25, ${pen.name}`)
    await keep(pen, { parts: [{ ...part, pieces: 12 }] })
    expect((await house()).devices.find(({ id }) => id === pen.id)?.parts).toEqual([
      { ...part, pieces: 12 },
    ])
    expect(await titles()).not.toContain(`Needle head 0.25, ${pen.name}`)
    await must(owner, '/api/devices', 'PUT', { ...pen, parts: undefined, name: pen.name })
    expect((await house()).devices.find(({ id }) => id === pen.id)?.parts).toHaveLength(1)
    await keep(pen, { parts: [] })
  })
})

/** Somebody new of a house, with a password of their own. */
async function newHands(role: 'owner' | 'therapist') {
  const id = randomUUID()
  const email = `${id}@house.example`
  const password = 'a password of my own'
  const link = (await must(owner, '/api/staff', 'POST', {
    id,
    name: 'New Hands',
    email,
    role,
    ...(role === 'owner' ? { again: AGAIN('owner') } : {}),
  })) as StaffLink
  await must(caller(base), '/api/join/submit', 'POST', { token: link.token, password })
  const enter = async (code?: string) => {
    const call = caller(base)
    const reply = await call('/api/session', {
      method: 'POST',
      body: { email, password, ...(code ? { code } : {}) },
    })
    return { call, reply }
  }
  return { id, password, enter }
}
/** @returns codes as an app would show them, so many steps from now */
async function setUp(call: Caller, password: string) {
  const { uri } = (await must(call, '/api/session/factor', 'POST', { password })) as { uri: string }
  const secret = new URL(uri).searchParams.get('secret') ?? ''
  // By one moment of this test's own: however long it takes, the codes stay the same.
  const at = Date.now()
  const code = (steps: number) => new TOTP({ secret }).generate({ timestamp: at + steps * 30_000 })
  const used = code(0)
  const { recovery } = (await must(call, '/api/session/factor/confirm', 'POST', {
    code: used,
  })) as RecoveryCodes
  return { code, used, recovery }
}

describe('a password of one own', () => {
  it('is not one that is tried first, nor such a one with figures behind it or said twice', async () => {
    const id = randomUUID()
    const email = `${id}@house.example`
    const person = { id, name: 'New Hands', email, role: 'therapist' }
    const { token } = (await must(owner, '/api/staff', 'POST', person)) as StaffLink
    const choose = (password: string) =>
      caller(base)('/api/join/submit', { method: 'POST', body: { token, password } })
    for (const password of [
      'password123456',
      'PasswordPassword',
      'qwertyqwerty1!',
      'aaaaaaaaaaaaaa',
      '123412341234',
      'Sunshine!!2024',
    ]) {
      const reply = await choose(password)
      expect(reply.status, password).toBe(422)
      expect(reply.text).toContain('is a common one')
    }
    expect((await choose('four words are good')).status).toBe(200)
  })
})

describe('a second factor', () => {
  it('is asked for after the password, taken once, and no code opens a second time', async () => {
    const { enter, password } = await newHands('therapist')
    const { call } = await enter()
    const { code, used } = await setUp(call, password)
    const bare = await enter()
    expect(bare.reply.status).toBe(401)
    expect(bare.reply.text).toContain('six digits')
    expect((await enter(used)).reply.status, 'was used to confirm').toBe(401)
    const now = code(1)
    expect((await enter(now)).reply.status).toBe(200)
    expect((await enter(now)).reply.status, 'was used').toBe(401)
  })
  it('lets nobody try many codes, also at once', async () => {
    const { enter, password } = await newHands('therapist')
    const { code } = await setUp((await enter()).call, password)
    const replies = await Promise.all(
      Array.from({ length: 20 }, (_, at) => enter(String(100_000 + at))),
    )
    const judged = replies.filter(({ reply }) => reply.status === 401)
    expect(judged.length).toBeLessThanOrEqual(5)
    expect((await enter(code(1))).reply.status, 'the right one waits as well').toBe(429)
  })
  it('stays through a link; a recovery code opens once, and an owner may end it', async () => {
    const { id, enter, password } = await newHands('therapist')
    const { recovery } = await setUp((await enter()).call, password)
    const again = AGAIN('owner')
    const link = (await must(owner, `/api/staff/${id}/link`, 'POST', again)) as StaffLink
    const joined = await must(caller(base), '/api/join/submit', 'POST', {
      token: link.token,
      password,
    })
    expect(joined).toEqual({ signedIn: false })
    expect((await enter()).reply.status).toBe(401)
    expect(recovery).toHaveLength(8)
    const [first = ''] = recovery
    expect((await enter(first)).reply.status).toBe(200)
    expect((await enter(first)).reply.status, 'was used').toBe(401)
    await must(owner, `/api/staff/${id}/factor-end`, 'POST', again)
    expect((await enter()).reply.status).toBe(200)
  })
  it('cannot be asked of owners by one who has none', async () => {
    const { house } = (await owner('/api/house')).body as HousePage
    const asked = await owner('/api/house', {
      method: 'PUT',
      body: { ...house, ownersSecondFactor: true },
    })
    expect(asked.status).toBe(422)
    expect(asked.text).toContain('your own second factor first')
  })
})
