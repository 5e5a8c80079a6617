import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type { ChildProcess } from 'node:child_process'
import { connect } from 'node:net'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { openMeterBench } from '../../devices/meterBench.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, type Caller } from '../support/http'
import { book, bundleOf } from '../support/visit'

/** The stand-in bench over its real socket, and every way in which it may fail. */
let bench: Awaited<ReturnType<typeof openMeterBench>>
let child: ChildProcess
let call: Caller
let visit: string
beforeAll(async () => {
  bench = await openMeterBench()
  const secrets = JSON.parse(readFileSync(process.env.OAK_TEST_SECRETS ?? '', 'utf8')) as {
    session: string
  }
  const run = (await runServer(
    { url: () => process.env.OAK_TEST_APP_DB ?? '', secrets } as never,
    { wanted: 4460, quiet: true, meters: `127.0.0.1:${bench.port}` } as never,
  )) as { child: ChildProcess; port: number; address: string }
  child = run.child
  await whenReady(run.port, run.child)
  call = await signedIn(run.address, 'owner')
  visit = await book(call, 'owner', 'other-31')
})
afterAll(async () => {
  await endChild(child)
  await bench.close()
})
afterEach(() => bench.fail('hydration', undefined))
const take = (more: object = {}) =>
  call(`/api/visits/${visit}/meter`, {
    method: 'POST',
    body: { id: randomUUID(), kind: 'hydration', zone: 'forehead', phase: 'madeUp', ...more },
  })
const kept = async () => (await bundleOf(call, visit)).meters.today

describe('a reading', () => {
  it('is three values with median and spread, kept by zone', async () => {
    const done = await take()
    expect(done.status).toBe(200)
    const [key] = await kept()
    expect(key?.values).toHaveLength(3)
    expect(key?.median).toBe([...(key?.values ?? [])].sort((one, other) => one - other)[1])
    expect(key?.spread).toBeCloseTo(
      Math.max(...(key?.values ?? [])) - Math.min(...(key?.values ?? [])),
      9,
    )
  })
  it("stands beside the last visit's on the same zone", async () => {
    await take({ zone: 'chin', kind: 'sebum' })
    const next = await book(call, 'owner', 'other-31')
    const { before, today } = (await bundleOf(call, next)).meters
    expect(today).toEqual([])
    expect(before.map((meterReading) => `${meterReading.kind} ${meterReading.zone}`)).toEqual(
      expect.arrayContaining(['sebum chin', 'hydration forehead']),
    )
  })
  it('is refused for a kind or zone nobody knows, with the field', async () => {
    for (const [more, field] of [
      [{ kind: 'luck' }, 'kind'],
      [{ zone: 'elbow' }, 'zone'],
      [{ phase: 'later' }, 'phase'],
    ] as const) {
      const done = await take(more)
      expect(done.status).toBe(400)
      expect((done.body as { fields: { field: string }[] }).fields[0]?.field).toBe(field)
    }
  })
})

describe('a fault ends in a clear word, and nothing wrong is stored', () => {
  for (const [fault, status, word] of [
    ['unplugged', 502, 'unplugged'],
    ['late', 504, 'five seconds'],
    ['nonsense', 422, 'no number'],
    ['wrongUnit', 422, 'speaks grain'],
    ['outOfRange', 422, 'cannot be skin'],
    ['garbage', 502, 'cannot be read'],
    ['flat', 502, 'battery is flat'],
  ] as const) {
    it(fault, async () => {
      const before = (await kept()).length
      bench.fail('hydration', fault)
      const done = await take()
      expect(done.status).toBe(status)
      expect(done.text).toContain(word)
      expect(done.text).toMatch(/othing was stored/)
      expect((await kept()).length).toBe(before)
      bench.fail('hydration', undefined)
      expect((await take()).status).toBe(200)
    })
  }
  it('two tablets at once: one reads, the other is told', async () => {
    const holder = connect(bench.port, '127.0.0.1')
    await new Promise<void>((done) => {
      holder.once('data', () => done())
      holder.write('{"open":"hydration"}\n')
    })
    const before = (await kept()).length
    const reply = await take()
    expect(reply.status).toBe(409)
    expect(reply.text).toContain('Another tablet')
    expect((await kept()).length).toBe(before)
    holder.destroy()
    await new Promise((done) => holder.once('close', done))
    await expect.poll(async () => (await take()).status).toBe(200)
  })
  it('a bench that is switched off', async () => {
    const port = bench.port
    await bench.close()
    const done = await take()
    expect(done.status).toBe(502)
    expect(done.text).toContain('switched off')
    bench = await openMeterBench({ port })
    expect((await take()).status).toBe(200)
  })
  it('the bench itself answers nonsense with a refusal and lives on', async () => {
    const said = await new Promise<string>((resolve) => {
      const socket = connect(bench.port, '127.0.0.1')
      let heard = ''
      socket.on('data', (nonSharedBuffer) => {
        heard += String(nonSharedBuffer)
        if (heard.split('\n').length > 4) {
          socket.destroy()
          resolve(heard)
        }
      })
      socket.write('{\n{"open":"luck"}\n{"read":1}\n[]\n')
    })
    expect(said).toContain('syntax')
    expect(said).toContain('unknown')
    expect((await take()).status).toBe(200)
  })
})
