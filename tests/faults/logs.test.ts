import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import type { ChildProcess } from 'node:child_process'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openHouse } from '../../scripts/house.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, type Caller } from '../support/http'

/** What is written down when something fails: that it failed and where, never what a client told. */
interface Cluster {
  data: string
  secrets: { port: number }
  url: (role: string) => string
}
const TOLD = 'Sertraline since the spring'
let house: { cluster: Cluster; close: () => Promise<void> }
let server: ChildProcess
let owner: Caller
let printed = ''
const fields = {
  name: 'Quiet Person',
  born: '1985-04-04',
  phone: '',
  email: '',
  work: '',
  medicines: TOLD,
  notes: '',
  faceHeightMm: 190,
  faceWidthMm: 140,
}
const add = (medicines: string) =>
  owner('/api/people', { method: 'POST', body: { id: randomUUID(), ...fields, medicines } })

beforeAll(async () => {
  house = (await openHouse('faults-logs', { server: false, firstPort: 24810 })) as typeof house
  const run = await runServer(house.cluster, {
    wanted: 4480,
    heard: (text: string) => {
      printed += text
    },
  })
  server = run.child
  await whenReady(run.port, server)
  owner = await signedIn(run.address, 'owner')
})
afterAll(async () => {
  await endChild(server)
  await house.close()
})

describe('the logs', () => {
  it('refuse a NUL by name before the database sees it', async () => {
    const reply = await add(`${TOLD}\u0000`)
    expect(reply.status).toBe(400)
    expect(reply.body).toMatchObject({ fields: [{ field: 'medicines' }] })
    expect((await add(`${TOLD}\uD83D`)).status).toBe(400)
  })
  it('hold code, route and kind of a failure, and none of its words', async () => {
    const sql = postgres(house.cluster.url('owner'), { max: 1 })
    await sql`alter table clients rename column medicines to mislaid`
    const reply = await add(TOLD)
    await sql`alter table clients rename column mislaid to medicines`
    await sql.end()
    expect(reply.status).toBe(500)
    expect(reply.text).not.toContain(TOLD)
    expect(printed).toContain('42703')
    expect(printed).toContain('/api/people')
    const ofDatabase = readFileSync(join(house.cluster.data, 'server.log'), 'utf8')
    for (const log of [printed, ofDatabase]) {
      expect(log).not.toContain(TOLD)
      expect(log).not.toContain('Quiet Person')
      expect(log).not.toContain('insert into')
    }
  })
})
