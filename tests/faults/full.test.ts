import { afterAll, beforeAll, expect, it } from 'vitest'
import postgres from 'postgres'
import { openHouse } from '../../scripts/house.mjs'
import { caller, signedIn, type Caller } from '../support/http'
import { bundleOf, tap, treating } from '../support/visit'

/**
 * A disk that is full. The database says so by SQLSTATE 53100 (PostgreSQL's manual, appendix A); a
 * trigger says it in its place, because no test fills the disk of the machine it runs on.
 */
let house: Awaited<ReturnType<typeof openHouse>> & { address?: string }
let owner: Caller
let db: postgres.Sql
beforeAll(async () => {
  house = await openHouse('faults-full', { firstPort: 24880, wanted: 4460 })
  owner = await signedIn(house.address ?? '', 'owner')
  db = postgres(house.cluster.url('owner'), { max: 1, onnotice: () => {} })
})
afterAll(async () => {
  await db.end()
  await house.close()
})
const TABLES = ['visit_events', 'pulse'] as const
async function fill() {
  await db`create function disk_full() returns trigger language plpgsql as $$
    begin raise exception 'could not extend file: No space left on device' using errcode = '53100'; end $$`
  for (const table of TABLES)
    await db`create trigger disk_full before insert or update on ${db(table)} for each row execute function disk_full()`
}
const empty = () => db`drop function disk_full() cascade`

it('is said plainly, ready says no, what was read is still read, and no tap is lost or doubled', async () => {
  const id = await treating(owner, 'owner', 'other-12')
  const events = [tap({ kind: 'started' })]
  const send = () => owner(`/api/visits/${id}/events`, { method: 'POST', body: { events } })
  const ready = async () => (await caller(house.address ?? '')('/api/ready')).status
  expect(await ready()).toBe(200)

  await fill()
  const refused = await send()
  expect(refused.status).toBe(503)
  expect(refused.text).toContain('disk of this computer is full')
  expect(refused.text).toContain('kept on this device')
  expect(await ready()).toBe(503)
  expect((await bundleOf(owner, id)).events).toEqual([])

  await empty()
  expect(await ready()).toBe(200)
  expect((await send()).status).toBe(200)
  expect((await send()).status).toBe(200)
  expect((await bundleOf(owner, id)).events).toHaveLength(1)
})
