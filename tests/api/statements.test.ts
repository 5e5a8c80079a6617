import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { demoId } from '#db/demo/ids'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, testUrl, type Caller } from '../support/http'
import { hearStatements, type Statement } from '../support/statements'
import {
  bundleOf,
  prepared,
  ROOM,
  sealedVisit,
  someone,
  STAFF,
  tap,
  treating,
} from '../support/visit'

/**
 * How many statements a request may send to the database, and that no more rows mean no more
 * statements. What another request would have to be asked for once is not counted: each is asked
 * twice, and the second time counts.
 */
const secrets = JSON.parse(readFileSync(process.env.OAK_TEST_SECRETS ?? '', 'utf8')) as {
  session: string
}
type Ear = Awaited<ReturnType<typeof hearStatements>>
let ear: Ear
let run: Awaited<ReturnType<typeof runServer>>
let owner: Caller
let sealed = ''
let running = ''
let planned = ''
beforeAll(async () => {
  const direct = process.env.OAK_TEST_APP_DB ?? ''
  const { port } = new URL(direct)
  ear = await hearStatements(Number(port))
  const cluster = { url: () => direct.replace(`:${port}/`, `:${ear.port}/`), secrets }
  run = await runServer(
    cluster as never,
    { wanted: 4452, quiet: true, address: undefined } as never,
  )
  await whenReady(run.port, run.child)
  const first = await signedIn(testUrl(), 'owner')
  sealed = await sealedVisit(first, 'owner', await someone(first))
  planned = await prepared(first, 'owner', await someone(first))
  running = await treating(first, 'owner', await someone(first))
  owner = await signedIn(run.address, 'owner')
}, 240_000)
afterAll(async () => {
  await endChild(run.child)
  await ear.close()
})

/** What the driver asks of each connection, and a session's sign of life, once a minute. */
const NOT_ITS_OWN = /pg_type|pg_catalog|^update "sessions"/
/** What a request sends that was asked once before: what opens a connection is not it. */
async function sentBy(ask: () => Promise<{ status: number }>): Promise<Statement[]> {
  await ask()
  const heard = await ear.during(async () => {
    const { status } = await ask()
    expect(status).toBe(200)
  })
  return heard.filter(({ text }) => !NOT_ITS_OWN.test(text))
}
const get = (path: string) => sentBy(() => owner(path))
const today = () => new Date().toISOString().slice(0, 10)

/** How many each may send at most. */
const MAY: Readonly<Record<string, readonly [number, () => string]>> = {
  'who is signed in': [2, () => '/api/session'],
  people: [8, () => '/api/people'],
  'people, searched': [7, () => '/api/people?q=lient%207'],
  'a day': [32, () => '/api/day'],
  'a week': [6, () => `/api/week?date=${today()}`],
  'free places': [7, () => `/api/places?from=${today()}&days=7&minutes=60`],
  'a file': [23, () => `/api/people/${demoId('rower')}`],
  'a whole file': [28, () => `/api/people/${demoId('rower')}/export`],
  'a planned visit': [55, () => `/api/visits/${planned}`],
  'a visit under way': [59, () => `/api/visits/${running}`],
  'a sealed visit': [55, () => `/api/visits/${sealed}`],
  'an export': [56, () => `/api/visits/${sealed}/export`],
  'the shelf': [7, () => '/api/shelf'],
  tools: [6, () => '/api/tools'],
  'a month of money': [6, () => `/api/money/earned?month=${today().slice(0, 7)}`],
  'the audit': [4, () => '/api/audit'],
  'the practice': [5, () => '/api/practice'],
  messages: [3, () => '/api/messages'],
}
const words = (sent: readonly Statement[]) => sent.map(({ text }) => text.slice(0, 90)).join('\n')

describe('a request sends no more statements than it may', () => {
  it.each(Object.entries(MAY))('%s', async (_, [most, path]) => {
    const sent = await get(path())
    expect(sent.length, words(sent)).toBeLessThanOrEqual(most)
  })
  it('a tap: who, which visit, and the tap', async () => {
    const { plans } = await bundleOf(owner, running)
    const key = plans[0]?.steps[0]?.key ?? ''
    const path = `/api/visits/${running}/events`
    const body = () => ({ events: [tap({ kind: 'counted', key, region: null, by: 1 })] })
    const sent = await sentBy(() => owner(path, { method: 'POST', body: body() }))
    expect(sent.length, words(sent)).toBeLessThanOrEqual(3)
  })
})

describe('more rows are no more statements', () => {
  const bookAt = async (day: string, hour: number) => {
    const clientId = await someone(owner)
    const startsAt = `${day}T${String(hour).padStart(2, '0')}:00:00Z`
    const body = { id: randomUUID(), clientId, staffId: STAFF.owner, roomId: ROOM, minutes: 45 }
    const { status } = await owner('/api/visits', { method: 'POST', body: { ...body, startsAt } })
    expect(status).toBe(200)
  }
  it('a day and a week with one visit, and with six', async () => {
    const day = `20${40 + Math.floor(Math.random() * 50)}-05-0${1 + Math.floor(Math.random() * 9)}`
    await bookAt(day, 6)
    const one = { day: await get(`/api/day?date=${day}`), week: await get(`/api/week?date=${day}`) }
    for (const hour of [7, 8, 9, 10, 11]) await bookAt(day, hour)
    const six = { day: await get(`/api/day?date=${day}`), week: await get(`/api/week?date=${day}`) }
    expect(six.day.length, words(six.day)).toBe(one.day.length)
    expect(six.week.length, words(six.week)).toBe(one.week.length)
  })
  it('the file of somebody with one sealed visit, and with three', async () => {
    const client = await someone(owner)
    await sealedVisit(owner, 'owner', client)
    const one = await get(`/api/people/${client}`)
    const wholeOne = await get(`/api/people/${client}/export`)
    for (let more = 0; more < 2; more++) await sealedVisit(owner, 'owner', client)
    expect((await get(`/api/people/${client}`)).length).toBe(one.length)
    expect((await get(`/api/people/${client}/export`)).length).toBe(wholeOne.length)
  })
  it('a list of one found, and of all', async () => {
    const found = await get('/api/people?q=Care%20Test')
    expect((await get('/api/people?q=e')).length).toBe(found.length)
    const few = await get('/api/audit?what=client.erase')
    expect((await get('/api/audit')).length).toBe(few.length)
  })
})
