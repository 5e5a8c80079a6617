import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { demoId } from '#db/demo/ids'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, testUrl, type Caller } from '../support/http'
import { hearStatements, type Statement } from '../support/statements'
import { bundleOf, prepared, sealedVisit, STAFF, tap, treating } from '../support/visit'

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
  run = await runServer(cluster as never, { wanted: 4452, quiet: true, address: undefined } as never)
  await whenReady(run.port, run.child)
  const first = await signedIn(testUrl(), 'owner')
  sealed = await sealedVisit(first, 'owner', 'other-26')
  planned = await prepared(first, 'owner', 'other-27')
  running = await treating(first, 'owner', 'other-28')
  owner = await signedIn(run.address, 'owner')
}, 240_000)
afterAll(async () => {
  await endChild(run.child)
  await ear.close()
})

/** What a request sends that was asked once before: what opens a connection is not it. */
async function sentBy(ask: () => Promise<{ status: number }>): Promise<Statement[]> {
  await ask()
  const heard = await ear.during(async () => {
    const { status } = await ask()
    expect(status).toBe(200)
  })
  return heard.filter(({ text }) => !/pg_type|from pg_catalog/i.test(text))
}
const get = (path: string) => sentBy(() => owner(path))
const today = () => new Date().toISOString().slice(0, 10)

/** How many each may send at most. */
const MAY: Record<string, [number, () => string]> = {
  'people': [99, () => '/api/people'],
  'people, searched': [99, () => '/api/people?q=lient%207'],
  'a day': [99, () => '/api/day'],
  'a week': [99, () => `/api/week?date=${today()}`],
  'free places': [99, () => `/api/places?from=${today()}&days=7&minutes=60`],
  'a file': [99, () => `/api/people/${demoId('rower')}`],
  'a planned visit': [99, () => `/api/visits/${planned}`],
  'a visit under way': [99, () => `/api/visits/${running}`],
  'a sealed visit': [99, () => `/api/visits/${sealed}`],
  'the shelf': [99, () => '/api/shelf'],
  'tools': [99, () => '/api/tools'],
  'money': [99, () => `/api/money/earned?month=${today().slice(0, 7)}`],
  'an export': [99, () => `/api/visits/${sealed}/export`],
  'a whole file': [99, () => `/api/people/${demoId('rower')}/export`],
  'the audit': [99, () => '/api/audit'],
  'the practice': [99, () => '/api/practice'],
  'messages': [99, () => '/api/messages'],
  'who is signed in': [99, () => '/api/session'],
}
describe('a request sends no more statements than it may', () => {
  it.each(Object.entries(MAY))('%s', async (name, [most, path]) => {
    const sent = await get(path())
    console.log(name, sent.length)
    expect(sent.length, sent.map(({ text }) => text.slice(0, 90)).join('\n')).toBeLessThanOrEqual(most)
  })
  it('a tap', async () => {
    const { plans } = await bundleOf(owner, running)
    const key = plans[0]?.steps[0]?.key ?? ''
    const sent = await sentBy(() =>
      owner(`/api/visits/${running}/events`, {
        method: 'POST',
        body: { events: [tap({ kind: 'counted', key, region: null, by: 1 })] },
      }),
    )
    console.log('tap', sent.length, sent.map(({ text }) => text.slice(0, 60)))
  })
})
