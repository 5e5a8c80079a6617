import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { ACCOUNTS } from '../support/accounts'
import { caller, signedIn, testUrl } from '../support/http'
import { tap, treating } from '../support/visit'

interface Second {
  child: ChildProcess
  port: number
  address: string
}
const secrets = JSON.parse(readFileSync(process.env.OAK_TEST_SECRETS ?? '', 'utf8')) as {
  session: string
}
const cluster = { url: () => process.env.OAK_TEST_APP_DB ?? '', secrets }
const children: ChildProcess[] = []
async function another(address?: string): Promise<Second> {
  const run = (await runServer(
    cluster as never,
    { wanted: 4450, quiet: true, address } as never,
  )) as Second
  children.push(run.child)
  await whenReady(run.port, run.child)
  return run
}
afterAll(async () => {
  await Promise.all(children.map((child) => endChild(child)))
})

/** Signs in at a server and listens to a visit there. */
async function listening(address: string, visit: string, tablet: string) {
  const response = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { origin: address, 'content-type': 'application/json' },
    body: JSON.stringify({ email: ACCOUNTS.owner.email, password: ACCOUNTS.owner.password }),
  })
  const cookie = (response.headers.getSetCookie().at(-1) ?? '').split(';')[0] ?? ''
  const ends = new AbortController()
  const stream = await fetch(
    `${address}/api/visits/${visit}/stream?tablet=${encodeURIComponent(tablet)}`,
    { headers: { cookie }, signal: ends.signal },
  )
  const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader()
  let heard = ''
  /** Waits until a word has been heard so many times. */
  const hear = async (word: string, times = 1) => {
    while (heard.split(word).length <= times) {
      const { value, done } = await (reader as ReadableStreamDefaultReader<string>).read()
      if (done) throw new Error(`ended before ${word}: ${heard}`)
      heard += value
    }
  }
  return { hear, stop: () => ends.abort() }
}

describe('two servers on one database', () => {
  let second: Second
  beforeAll(async () => {
    second = await another()
  })
  it('a tap kept by one is told to a tablet that listens to the other', async () => {
    const owner = await signedIn(testUrl(), 'owner')
    const id = await treating(owner, 'owner', 'other-30')
    const { hear, stop } = await listening(second.address, id, 'at the wall')
    await hear('event: here')
    await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: { events: [tap({ kind: 'held' })] },
    })
    await hear('event: taps')
    // The tap itself, not a word to come and fetch it.
    await hear('"kind":"held"')
    stop()
  })
  it('tablets on both see each other in the room, and that one has gone', async () => {
    const owner = await signedIn(testUrl(), 'owner')
    const id = await treating(owner, 'owner', 'other-29')
    const here = await listening(testUrl(), id, 'at the basin')
    await here.hear('event: here')
    const there = await listening(second.address, id, 'at the wall')
    await here.hear(`at the wall, ${ACCOUNTS.owner.name}`)
    await there.hear(`at the basin, ${ACCOUNTS.owner.name}`)
    there.stop()
    await here.hear('data: []', 2)
    here.stop()
  })
  it('a session sealed by one is good at the other, and a revoked one at neither', async () => {
    const one = await signedIn(testUrl(), 'therapist')
    const reply = await caller(second.address)('/api/session', {
      method: 'POST',
      body: { email: ACCOUNTS.therapist.email, password: ACCOUNTS.therapist.password },
    })
    expect(reply.status).toBe(200)
    await one('/api/session/revoke', { method: 'POST' })
    const cookie = (reply.headers.getSetCookie().at(-1) ?? '').split(';')[0] ?? ''
    expect((await fetch(`${second.address}/api/people`, { headers: { cookie } })).status).toBe(401)
    expect((await fetch(`${testUrl()}/api/people`, { headers: { cookie } })).status).toBe(401)
  })
})

describe('behind a TLS proxy', () => {
  it("demo accounts are refused, pages ask for TLS for a year, and only the proxy's origin may write", async () => {
    const run = await another('https://rooms.example')
    const local = `http://127.0.0.1:${run.port}`
    const send = (origin: string) =>
      fetch(`${local}/api/session`, {
        method: 'POST',
        headers: { origin, 'content-type': 'application/json' },
        body: JSON.stringify({ email: ACCOUNTS.owner.email, password: ACCOUNTS.owner.password }),
      })
    expect((await send('https://rooms.example')).status).toBe(403)
    expect(await (await send('https://rooms.example')).text()).toContain('Demo accounts')
    expect((await send(local)).status).toBe(403)
    expect((await fetch(`${local}/sign-in`)).headers.get('strict-transport-security')).toContain(
      'max-age',
    )
  })
})
