import { readFileSync } from 'node:fs'
import type { ChildProcess } from 'node:child_process'
import { connect } from 'node:net'
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { DeviceSays } from '#core/treatment/step/onTheLine'
import { openMeterBench } from '../../devices/meterBench.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, type Caller } from '../support/http'
import { bundleOf, treating } from '../support/visit'

/** The room's devices as stand-ins over their real socket, and every way in which they may fail. */
let bench: Awaited<ReturnType<typeof openMeterBench>>
let child: ChildProcess
let call: Caller
let visit: string
let step: PlanStep
const KIND = 'lamp'
beforeAll(async () => {
  bench = await openMeterBench({ lateMs: 6000 })
  const secrets = JSON.parse(readFileSync(process.env.OAK_TEST_SECRETS ?? '', 'utf8')) as {
    session: string
  }
  const run = (await runServer(
    { url: () => process.env.OAK_TEST_APP_DB ?? '', secrets } as never,
    { wanted: 4465, quiet: true, meters: `127.0.0.1:${bench.port}` } as never,
  )) as { child: ChildProcess; port: number; address: string }
  child = run.child
  await whenReady(run.port, run.child)
  call = await signedIn(run.address, 'owner')
  visit = await treating(call, 'owner', 'other-16', { aims: ['lines'] })
  const steps = (await bundleOf(call, visit)).plans.find(({ version }) => version === 1)?.steps
  const own = steps?.find(({ technique }) => TECHNIQUES[technique].device === KIND)
  if (!own) throw new Error('no step of this plan works with the lamp')
  step = own
})
afterAll(async () => {
  await endChild(child)
  await bench.close()
})
afterEach(() => bench.fail(KIND, undefined))
const ask = (more: object = {}) =>
  call(`/api/visits/${visit}/device`, { method: 'POST', body: { key: step.key, ...more } })
const says = async (more: object = {}) => (await ask(more)).body as DeviceSays
const heldOpen = (): Promise<() => void> =>
  new Promise((resolve) => {
    const socket = connect(bench.port, '127.0.0.1', () => {
      socket.write(`${JSON.stringify({ open: KIND })}\n`)
      socket.once('data', () => resolve(() => socket.destroy()))
    })
  })

describe('a device on the line', () => {
  it('says the level that is, takes another and reads it back, runs and stops', async () => {
    expect(await says()).toMatchObject({ unit: 'mW/cm²', running: false, ready: true, fault: null })
    expect(await says({ level: 20 })).toMatchObject({ level: 20, fault: null })
    expect((await says()).level).toBe(20)
    expect((await says({ run: true })).running).toBe(true)
    expect((await says({ run: false })).running).toBe(false)
  })
  it('is never sent a level over the cap of today, and stays where it stands', async () => {
    await says({ level: 20 })
    const over = await ask({ level: 119 })
    expect(over.status).toBe(422)
    expect(over.text).toContain('is the most today')
    expect((await says()).level).toBe(20)
  })
  it('that stands over the cap is said, and does not count as ready to begin', async () => {
    await says()
    const device = bench.device(KIND)
    if (!device) throw new Error('no device')
    device.state.level = 115
    expect((await says()).fault).toContain('turn it down by hand')
    device.state.level = 30
  })
  it.each([
    ['unplugged', 502, 'unplugged or switched off'],
    ['garbage', 502, 'cannot be read'],
    ['lies', 502, 'Something else answered'],
    ['late', 504, 'did not answer in five seconds'],
  ] as const)(
    'that is %s is said plainly, and nothing is kept of it',
    async (fault, status, words) => {
      const before = (await bundleOf(call, visit)).events.length
      bench.fail(KIND, fault)
      const reply = await ask({ level: 20 })
      expect(reply.status).toBe(status)
      expect(reply.text).toContain(words)
      expect(reply.text).toContain('go on by hand')
      expect((await bundleOf(call, visit)).events.length).toBe(before)
    },
    20_000,
  )
  it.each([
    ['nonsense', 'no number'],
    ['wrongUnit', 'not in mW/cm²'],
    ['sticks', 'believe its display'],
    ['notReady', 'not ready'],
  ] as const)('that %s is believed in nothing', async (fault, words) => {
    bench.fail(KIND, fault)
    const said = await says({ level: 20 })
    expect(said.fault).toContain(words)
    if (fault === 'nonsense' || fault === 'wrongUnit') expect(said.level).toBeUndefined()
  })
  it('is spoken with by one tablet at a time', async () => {
    const letGo = await heldOpen()
    const reply = await ask()
    expect(reply.status).toBe(409)
    expect(reply.text).toContain('Another tablet')
    letGo()
    await expect.poll(async () => (await ask()).status).toBe(200)
  })
  it('is asked for a step that works with one, while the treatment runs', async () => {
    expect(
      (await call(`/api/visits/${visit}/device`, { method: 'POST', body: { key: 'close-1' } }))
        .status,
    ).toBe(422)
    expect((await ask({ level: -1 })).status).toBe(400)
  })
})
