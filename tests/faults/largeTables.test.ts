import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoId } from '#db/demo/ids'
import { openHouse } from '../../scripts/house.mjs'
import { signedIn, type Caller } from '../support/http'
import { prepared, ROOM, sealedVisit, STAFF, tap, treating } from '../support/visit'

/**
 * Tables that grow with the years. Whole, none of them is read to answer one question: with the
 * planner kept from it wherever an index serves, whatever still reads a table from end to end has no
 * index to go by.
 */
const LARGE = [
  ...['clients', 'visits', 'audit', 'visit_events', 'seals', 'seal_items', 'consultations'],
  ...[
    'consents',
    'readings',
    'plans',
    'check_ins',
    'messages',
    'lot_movements',
    'lots',
    'amendments',
  ],
]
let house: Awaited<ReturnType<typeof openHouse>> & { address?: string }
let owner: Caller
let sealed = ''
let planned = ''
let running = ''
beforeAll(async () => {
  house = await openHouse('faults-large', { firstPort: 24890, wanted: 4465 })
  const before = await signedIn(house.address ?? '', 'owner')
  sealed = await sealedVisit(before, 'owner', 'other-10')
  planned = await prepared(before, 'owner', 'other-11')
  running = await treating(before, 'owner', 'other-12')
  house.cluster.sql('ALTER DATABASE oak_basin SET enable_seqscan = off')
  lettingGo()
  owner = await signedIn(house.address ?? '', 'owner')
}, 240_000)
afterAll(() => house.close())

/** Ends the server's connections: what they read is counted then, and the next ones are new. */
function lettingGo(): void {
  house.cluster.sql(
    `SELECT pg_terminate_backend(pid, 5000) FROM pg_stat_activity WHERE usename = 'oak_app'`,
  )
}
const readWhole = (): Record<string, number> =>
  Object.fromEntries(
    house.cluster
      .sql(
        `SELECT relname || '=' || seq_scan FROM pg_stat_user_tables WHERE relname IN (${LARGE.map((name) => `'${name}'`).join()})`,
        'oak_basin',
      )
      .trim()
      .split('\n')
      .map((line) => line.trim().split('='))
      .map(([name = '', scans]) => [name, Number(scans)]),
  )
/** The large tables that were read from end to end while something was asked. */
async function wholeIn(ask: () => Promise<{ status: number }>): Promise<string[]> {
  lettingGo()
  const before = readWhole()
  const { status } = await ask()
  expect(status).toBe(200)
  lettingGo()
  const after = readWhole()
  return LARGE.filter((name) => (after[name] ?? 0) > (before[name] ?? 0))
}

const today = () => new Date().toISOString().slice(0, 10)
const READ: readonly [string, () => string][] = [
  ['people', () => '/api/people'],
  ['people, searched', () => '/api/people?q=lient%207'],
  ['a day', () => '/api/day'],
  ['a week', () => `/api/week?date=${today()}`],
  ['free places', () => `/api/places?from=${today()}&minutes=60`],
  ['a file', () => `/api/people/${demoId('rower')}`],
  ['a sealed visit', () => `/api/visits/${sealed}`],
  ['a planned visit', () => `/api/visits/${planned}`],
  ['what comes after it', () => `/api/visits/${sealed}/home`],
  ['an export', () => `/api/visits/${sealed}/export`],
  ['the audit', () => '/api/audit'],
  ['the audit of a rare kind', () => '/api/audit?what=client.erase'],
  ['what was refused', () => '/api/audit?refused=yes'],
  ['the audit of one person', () => `/api/audit?staffId=${STAFF.owner}`],
  ['the audit of one client', () => `/api/audit?clientId=${demoId('rower')}`],
  ['a signed head', () => '/api/practice/head'],
  ['a stretch of the chain', () => '/api/practice/chain?after=1'],
]
describe('no large table is read whole', () => {
  for (const [name, path] of READ)
    it(`by ${name}`, async () => {
      expect(await wholeIn(() => owner(path()))).toEqual([])
    })
  it('by a booking', async () => {
    const body = {
      ...{ id: randomUUID(), clientId: demoId('other-14'), staffId: STAFF.owner, roomId: ROOM },
      ...{ startsAt: '2041-03-05T09:00:00Z', minutes: 60 },
    }
    expect(await wholeIn(() => owner('/api/visits', { method: 'POST', body }))).toEqual([])
  })
  it('by a tap', async () => {
    const body = { events: [tap({ kind: 'note', text: 'calm' })] }
    const path = `/api/visits/${running}/events`
    expect(await wholeIn(() => owner(path, { method: 'POST', body }))).toEqual([])
  })
})
it('and would be seen: a question without an index reads its table whole', async () => {
  lettingGo()
  const before = readWhole()
  house.cluster.sql(
    `SET enable_seqscan = off; SELECT count(*) FROM visits WHERE minutes = 17`,
    'oak_basin',
  )
  const after = readWhole()
  expect(after.visits).toBeGreaterThan(before.visits ?? 0)
})
