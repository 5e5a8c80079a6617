import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import postgres from 'postgres'
import { randomUUID } from 'node:crypto'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest'
import type { HomeReply } from '#contracts/replies/home'
import { openPostOffice } from '../../devices/postOffice.mjs'
import { endChild, runServer, whenReady } from '../../scripts/server.mjs'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, sealedVisit, someone } from '../support/visit'

interface Office {
  port: number
  sent: () => { id: string; to: string; words: string }[]
  asked: () => number
  fail: (fault: string) => void
  close: () => Promise<void>
}
const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2 })
const secrets = JSON.parse(readFileSync(process.env.OAK_TEST_SECRETS ?? '', 'utf8')) as {
  session: string
}
const cluster = { url: () => process.env.OAK_TEST_APP_DB ?? '', secrets }
let office: Office
let server: ChildProcess | undefined
let owner: Caller
/** A server that looks into the outbox each second; a day without night where it stands. */
async function begin(): Promise<void> {
  const env = { NUXT_POST_SECONDS: '1' }
  const post = `127.0.0.1:${office.port}`
  const run = (await runServer(
    cluster as never,
    { wanted: 4470, quiet: true, post, env } as never,
  )) as unknown as { child: ChildProcess; port: number }
  server = run.child
  await whenReady(run.port, run.child)
}
const end = async () => {
  if (server) await endChild(server)
  server = undefined
}
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
  // Messages go by the clock of the house: it is daytime somewhere.
  const [practice] = await db<{ time_zone: string }[]>`select time_zone from practice`
  zoneBefore = practice?.time_zone ?? 'Europe/Oslo'
  const hour = new Date().getUTCHours()
  const shift = 14 - hour
  const zone = `Etc/GMT${shift > 0 ? '-' : '+'}${Math.abs(shift)}`
  await db`update practice set time_zone = ${shift === 0 ? 'Etc/GMT' : zone}`
})
let zoneBefore = ''
beforeEach(async () => {
  office = (await openPostOffice()) as Office
  await db`update messages set status = 'stopped', words = null where status = 'waiting'`
  await db`update check_ins set done_at = now(), done_by = (select id from staff limit 1), note = 'x'
    where done_at is null`
})
afterEach(async () => {
  await end()
  await office.close()
})
afterAll(async () => {
  await db`update practice set time_zone = ${zoneBefore}`
  await db.end()
})

/** A client who wants to be written to, with a question that is due today. */
async function due(messages: 'mail' | 'none' = 'mail'): Promise<{ who: string; visit: string }> {
  const who = await someone(owner, `Post ${randomUUID().slice(0, 6)}`)
  await db`update clients set messages = ${messages}, email = ${`${who}@example.org`} where id = ${who}`
  const visit = await sealedVisit(owner, 'owner', who)
  const today = (await bundleOf(owner, visit)).today
  await db`update check_ins set due_on = ${today} where visit_id = ${visit}
    and due_on = (select min(due_on) from check_ins where visit_id = ${visit})`
  return { who, visit }
}
const statusOf = async (visit: string) =>
  ((await owner(`/api/visits/${visit}/home`)).body as HomeReply).messages[0]?.status
const until = (visit: string, status: string) =>
  vi.waitFor(async () => expect(await statusOf(visit)).toBe(status), {
    timeout: 60_000,
    interval: 300,
  })
const hurry = () => db`update messages set next_at = now() where status = 'waiting'`

describe('the outbox', () => {
  it('sends a question to whoever wants it: the house and a link, no word of skin or health', async () => {
    const { who, visit } = await due()
    await begin()
    await until(visit, 'sent')
    const [own] = office.sent().filter(({ to }) => to.startsWith(who))
    expect(own?.words).toMatch(/ has a short question for you: http.*\/how#[\w-]{43}$/)
    expect(own?.words).not.toMatch(/skin|face|redness|acid|treatment/i)
    const [kept] = await db<{ words: string | null }[]>`select words from messages
      where visit_id = ${visit}`
    expect(kept?.words).toBeNull()
  })
  it("speaks in the house's own words where it has some, and refuses words of skin or health", async () => {
    const { house } = (await owner('/api/house')).body as { house: Record<string, unknown> }
    const put = (questionMessage: string) =>
      owner('/api/house', { method: 'PUT', body: { ...house, questionMessage } })
    const refused = await put('How is your skin? {link}')
    expect(refused.status).toBe(400)
    expect(refused.text).toContain('no word of skin or health')
    await db`update practice set question_message = 'All well? {house} asks: {link}'`
    try {
      const { who, visit } = await due()
      await begin()
      await until(visit, 'sent')
      const [own] = office.sent().filter(({ to }) => to.startsWith(who))
      expect(own?.words).toMatch(/^All well\? .+ asks: http.*\/how#[\w-]{43}$/)
    } finally {
      await db`update practice set question_message = ''`
    }
  })
  it('writes to nobody who does not want it, and to nobody who changed their mind', async () => {
    const silent = await due('none')
    office.fail('refuses')
    const { who, visit } = await due()
    await begin()
    await vi.waitFor(() => expect(office.asked()).toBeGreaterThan(0), { timeout: 60_000 })
    await db`update clients set messages = 'none' where id = ${who}`
    office.fail('')
    await hurry()
    await until(visit, 'stopped')
    expect(office.sent()).toEqual([])
    expect(await statusOf(silent.visit)).toBeUndefined()
  })
  it.each(['refuses', 'garbage', 'hangsUp', 'losesAnswer'])(
    'tries again after a post office that %s, and delivers once',
    async (fault) => {
      office.fail(fault)
      const { who, visit } = await due()
      await begin()
      await vi.waitFor(() => expect(office.asked()).toBeGreaterThan(0), { timeout: 60_000 })
      office.fail('')
      await hurry()
      await until(visit, 'sent')
      expect(office.sent().filter(({ to }) => to.startsWith(who))).toHaveLength(1)
    },
  )
  it('delivers once though the server is killed while it sends', async () => {
    office.fail('losesAnswer')
    const { who, visit } = await due()
    for (let kills = 0; kills < 3; kills++) {
      const before = office.asked()
      await begin()
      await hurry()
      await vi.waitFor(() => expect(office.asked()).toBeGreaterThan(before), { timeout: 60_000 })
      server?.kill('SIGKILL')
      await end()
    }
    office.fail('')
    await begin()
    await hurry()
    await until(visit, 'sent')
    expect(office.sent().filter(({ to }) => to.startsWith(who))).toHaveLength(1)
  })
  it('gives a message up after the last try, and says so on Day', async () => {
    office.fail('refuses')
    const { visit } = await due()
    await begin()
    await vi.waitFor(() => expect(office.asked()).toBeGreaterThan(0), { timeout: 60_000 })
    await db`update messages set tries = 20, next_at = now() where visit_id = ${visit}`
    await until(visit, 'failed')
    const day = (await owner('/api/day')).body as { dues: { title: string }[] }
    expect(day.dues.some(({ title }) => title.includes('was not sent'))).toBe(true)
  })
})
