import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { ChildProcess } from 'node:child_process'
import { toPlanInput } from '#core/visit/planInput'
import { foldContext } from '#core/visit/roomContext'
import { fold } from '#core/treatment/fold/fold'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import { openHouse } from '../../scripts/house.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { deafProxy, slowDatabase } from '../support/faulty'
import { signedIn, type Caller } from '../support/http'
import { bundleOf, tap, treating } from '../support/visit'

/**
 * A tablet taps while servers and database are killed around it. It does what the page does: a tap
 * stays on the tablet until it is acknowledged,
 * and is sent again until then. In the end the house knows exactly the taps that were made. The
 * database keeps `fsync` on.
 */
interface Cluster {
  url: (role: string) => string
  secrets: { port: number; session: string }
  kill: () => void
  up: () => Promise<unknown>
}
let house: { cluster: Cluster; close: () => Promise<void> }
let slow: Awaited<ReturnType<typeof slowDatabase>>
let server: { child: ChildProcess; port: number; address: string } | undefined
/** Far from where others look for a port: between a kill and the next start nobody takes it. */
const WANTED = 4570

/** The database's port may be the slow one, so that a commit can be held back. */
async function up(throughSlow = false): Promise<string> {
  const ownCluster = house.cluster
  const cluster = {
    secrets: ownCluster.secrets,
    url: (role: string) =>
      throughSlow
        ? ownCluster.url(role).replace(`:${ownCluster.secrets.port}/`, `:${slow.port}/`)
        : ownCluster.url(role),
  }
  server = (await runServer(
    cluster as never,
    { wanted: WANTED, quiet: true } as never,
  )) as NonNullable<typeof server>
  await whenReady(server.port, server.child)
  return server.address
}
async function killServer(): Promise<void> {
  const ownServer = server
  if (!ownServer || ownServer.child.exitCode !== null || ownServer.child.signalCode !== null) return
  await new Promise<void>((resolve) => {
    ownServer.child.once('exit', () => resolve())
    ownServer.child.kill('SIGKILL')
  })
}

/** A tablet: what it holds back, and one try at sending it. */
function tablet(call: Caller, visit: string) {
  const made: TreatmentEvent[] = []
  let unsent: TreatmentEvent[] = []
  return {
    made,
    unsent: () => unsent,
    tap(ownNumber: number) {
      for (let i = 0; i < ownNumber; i++)
        this.tapOne({ kind: 'note', text: `note ${made.length + 1}` })
    },
    tapOne(body: TreatmentEvent['body']) {
      const event = tap(body)
      made.push(event)
      unsent.push(event)
    },
    async flush(through = call): Promise<boolean> {
      if (unsent.length === 0) return true
      try {
        const reply = await through(`/api/visits/${visit}/events`, {
          method: 'POST',
          body: { events: unsent },
        })
        if (reply.status !== 200) return false
        const { kept } = reply.body as { kept: { id: string }[] }
        unsent = unsent.filter((event) => !kept.some((own) => own.id === event.id))
        return true
      } catch {
        return false
      }
    },
    async untilSent(): Promise<void> {
      for (let i = 0; i < 200; i++) {
        if ((await this.flush()) && unsent.length === 0) return
        await new Promise((done) => setTimeout(done, 100))
      }
      throw new Error('never acknowledged')
    },
  }
}

let call: Caller
let visit: string
let technique: ReturnType<typeof tablet>
beforeAll(async () => {
  house = (await openHouse('faults', {
    durable: true,
    server: false,
    firstPort: 24660,
  } as never)) as unknown as typeof house
  slow = await slowDatabase(house.cluster.secrets.port)
}, 180_000)
afterAll(async () => {
  if (server) await endChild(server.child)
  await slow.close()
  await house.close()
})
beforeEach(async () => {
  if (server) await endChild(server.child)
  const base = await up()
  call = await signedIn(base, 'owner')
  visit = await treating(call, 'owner', 'other-20')
  technique = tablet(call, visit)
})

async function exactlyWhatWasTapped(): Promise<void> {
  const bundle = await bundleOf(call, visit)
  expect(bundle.events.map((event) => event.id).sort()).toEqual(
    technique.made.map((event) => event.id).sort(),
  )
  const notes = fold(bundle.events, foldContext(bundle, toPlanInput(bundle))).notes.map(
    (note) => note.text,
  )
  expect(notes.sort()).toEqual(
    technique.made.flatMap(({ body }) => (body.kind === 'note' ? [body.text] : [])).sort(),
  )
}

describe('no tap is lost and none is doubled', () => {
  it('when the server is killed before anything is sent', async () => {
    technique.tap(3)
    await technique.untilSent()
    technique.tap(5)
    await killServer()
    expect(await technique.flush()).toBe(false)
    expect(technique.unsent()).toHaveLength(5)
    await up()
    await technique.untilSent()
    await exactlyWhatWasTapped()
  })
  it.each([
    { held: 'the statement', words: 'insert into visit_events', more: [] },
    { held: 'the commit', words: 'commit', more: [{ kind: 'started' as const }] },
  ])('when the server is killed with $held held back', async ({ words, more }) => {
    await killServer()
    await up(true)
    technique.tap(4)
    for (const body of more) technique.tapOne(body)
    slow.hold(words)
    const held = slow.held()
    const sending = technique.flush()
    await held
    await killServer()
    slow.hold()
    expect(await sending).toBe(false)
    await up()
    expect((await bundleOf(call, visit)).events).toHaveLength(0)
    await technique.untilSent()
    await exactlyWhatWasTapped()
  })
  it('when it is committed and the server is killed before the reply arrives', async () => {
    const proxy = await deafProxy(server?.port ?? 0)
    const through = await signedIn(server?.address ?? '', 'owner', `http://127.0.0.1:${proxy.port}`)
    technique.tap(4)
    proxy.deaf(true)
    const cut = await technique.flush(through)
    expect(cut).toBe(false)
    await killServer()
    await proxy.close()
    await up()
    expect((await bundleOf(call, visit)).events).toHaveLength(4)
    expect(technique.unsent()).toHaveLength(4)
    await technique.untilSent()
    await exactlyWhatWasTapped()
  })
  it('when the database is killed in the middle, and says so until it is back', async () => {
    technique.tap(3)
    await technique.untilSent()
    house.cluster.kill()
    technique.tap(3)
    const reply = await call(`/api/visits/${visit}/events`, {
      method: 'POST',
      body: { events: technique.unsent() },
    })
    expect(reply.status).toBe(503)
    expect(reply.text).toContain('kept on this device')
    expect((await call('/api/ready')).status).toBeGreaterThanOrEqual(500)
    await house.cluster.up()
    await technique.untilSent()
    await exactlyWhatWasTapped()
  })
  it('when the database is killed again and again while taps keep coming', async () => {
    for (let round = 0; round < 3; round++) {
      technique.tap(6)
      const sending = technique.flush()
      if (round % 2 === 0) house.cluster.kill()
      await sending
      technique.tap(2)
      if (round % 2 === 0) await house.cluster.up()
      else {
        await killServer()
        await up()
      }
    }
    await technique.untilSent()
    await exactlyWhatWasTapped()
  })
  it('when two tablets send the same taps at the same time', async () => {
    technique.tap(20)
    const both = await Promise.all(
      Array.from({ length: 6 }, () =>
        call(`/api/visits/${visit}/events`, {
          method: 'POST',
          body: { events: technique.unsent() },
        }),
      ),
    )
    for (const reply of both) expect((reply.body as { kept: unknown[] }).kept).toHaveLength(20)
    await exactlyWhatWasTapped()
  })
  it('when a seal is asked for while taps arrive: each is in the record, or refused', async () => {
    await call(`/api/visits/${visit}/events`, {
      method: 'POST',
      body: { events: [tap({ kind: 'started' }), tap({ kind: 'finished' }, Date.now() + 1)] },
    })
    technique.tap(12)
    const sends = technique.made.map((event) =>
      call(`/api/visits/${visit}/events`, { method: 'POST', body: { events: [event] } }),
    )
    const sealing = call(`/api/visits/${visit}/seal`, { method: 'POST', body: { text: '' } })
    const replies = await Promise.all(sends)
    const sealed = await sealing
    if (sealed.status !== 200)
      expect(
        (await call(`/api/visits/${visit}/seal`, { method: 'POST', body: { text: '' } })).status,
      ).toBe(200)
    const kept = technique.made
      .filter((_, i) => replies[i]?.status === 200)
      .map((event) => (event.body.kind === 'note' ? event.body.text : ''))
    const bundle = await bundleOf(call, visit)
    const recorded = (
      bundle.record.find((part) => part.name === 'treatment')?.content as {
        notes: { text: string }[]
      }
    ).notes.map((note) => note.text)
    expect(recorded.sort()).toEqual(kept.sort())
  })
})
