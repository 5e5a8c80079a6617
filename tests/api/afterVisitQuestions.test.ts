import { createHash, randomBytes, randomUUID } from 'node:crypto'
import postgres from 'postgres'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import type { HomeReply } from '#contracts/replies/home'
import type { DayPage } from '#contracts/replies/day'
import { NOTHING_ASKED } from '#core/home/asked'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import { jpegOf, withPlace } from '../support/picture'
import { ALL_CALM as CALM, bundleOf, prepared, sealedVisit, someone } from '../support/visit'

const base = testUrl()
const db = postgres(process.env.OAK_TEST_OWNER_DB ?? '', { max: 2 })
const client = caller(base)
let owner: Caller
let who: string
let visit: string
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
beforeEach(async () => {
  await db`delete from login_attempts`
  who = await someone(owner, `After ${randomUUID().slice(0, 6)}`)
  visit = await sealedVisit(owner, 'owner', who)
})
afterAll(async () => {
  await db`delete from login_attempts`
  await db.end()
})

const after = async (id = visit) => (await owner(`/api/visits/${id}/home`)).body as HomeReply
const post = (path: string, body: object, call = owner, id = visit) =>
  call(`/api/visits/${id}${path}`, { method: 'POST', body })
/** A link to a question, as the post would have carried it. */
async function linkTo(checkInId: string): Promise<string> {
  const token = randomBytes(32).toString('base64url')
  const hash = createHash('sha256').update(`home-link\n${token}`).digest('hex')
  await db`insert into home_links (id, visit_id, check_in_id, token_hash, expires_at)
    values (${randomUUID()}, ${visit}, ${checkInId}, ${hash}, now() + interval '1 day')`
  return token
}
const submit = (token: string, answers: object, jpeg: string | null = null) =>
  client('/api/how/submit', { method: 'POST', body: { token, answers, jpeg } })
const firstQuestion = async () => (await after()).checkIns[0]?.id ?? ''

describe('the days after a visit', () => {
  it('are asked about once the record is sealed: next morning and on day three', async () => {
    const { checkIns } = await after()
    expect(checkIns).toHaveLength(2)
    expect(checkIns.every(({ outcome, done }) => outcome === null && done === null)).toBe(true)
  })
  it('are answered by link, once, graded, and told nothing of the file', async () => {
    const token = await linkTo(await firstQuestion())
    const opened = await client('/api/how/open', { method: 'POST', body: { token } })
    expect(opened.status).toBe(200)
    expect(Object.keys(opened.body as object).sort()).toEqual([
      'answered',
      'emergency',
      'phone',
      'practice',
    ])
    const sent = await submit(token, { ...CALM, redness: 'strong', itch: 'strong' })
    expect(sent.body).toMatchObject({ outcome: 'call' })
    expect((await submit(token, CALM)).status).toBe(409)
    const { checkIns } = await after()
    expect(checkIns[0]).toMatchObject({ outcome: 'call', byTelephone: false })
    expect(checkIns[0]?.said.join()).toContain('Redness: strong')
  })
  it('may bring a picture, drawn anew: no place, no device, and nothing that is no picture', async () => {
    const checkInId = await firstQuestion()
    const token = await linkTo(checkInId)
    const script = Buffer.concat([Buffer.from('ffd8ffe0', 'hex'), Buffer.from('<script>')])
    expect((await submit(token, CALM, script.toString('base64'))).status).toBe(400)
    // What was refused was not answered.
    expect((await after()).checkIns[0]).toMatchObject({ answeredAt: null, picture: false })
    expect((await submit(token, CALM, withPlace(jpegOf(110)))).status).toBe(200)
    expect((await after()).checkIns[0]).toMatchObject({ outcome: 'expected', picture: true })
    const { bytes, headers } = await owner(
      `/api/visits/${visit}/answer-picture?photograph=${checkInId}`,
    )
    expect(headers.get('content-type')).toBe('image/jpeg')
    expect(bytes.subarray(0, 2).toString('hex')).toBe('ffd8')
    expect(bytes.includes(Buffer.from('GPS'))).toBe(false)
    const given = await owner(`/api/people/${who}/export`)
    const own = JSON.parse(given.text) as { checkIns: { id: string; jpeg: string | null }[] }
    const written = own.checkIns.find(({ id }) => id === checkInId)?.jpeg ?? ''
    expect(Buffer.from(written, 'base64').equals(bytes)).toBe(true)
  })
  it('stand on Day until somebody has seen to them, and reach the next plan as a reaction would', async () => {
    const token = await linkTo(await firstQuestion())
    await submit(token, { ...CALM, swelling: 'face' })
    const day = async () => ((await owner('/api/day')).body as DayPage).dues
    const { name } = (await bundleOf(owner, visit)).client
    expect((await day()).find(({ title }) => title.startsWith(name))).toMatchObject({
      kind: 'stop',
      title: `${name}: doctor`,
    })
    const { shelf } = await bundleOf(owner, visit)
    const suspected = shelf[0]?.product.id ?? ''
    const checkInId = await firstQuestion()
    const seen = { checkInId, note: 'sent to the doctor', suspected }
    expect((await post('/seen-to', seen)).status).toBe(200)
    expect((await post('/seen-to', seen)).status).toBe(409)
    expect((await day()).some(({ title }) => title.startsWith(name))).toBe(false)
    const next = await bundleOf(owner, await prepared(owner, 'owner', who))
    expect(next.past[0]?.taken).toBe('badly')
    expect(next.reactions[0]).toMatchObject({ productId: suspected })
  })
  it('count as taken well where the client says so, and never from silence', async () => {
    const before = await bundleOf(owner, await prepared(owner, 'owner', who))
    expect(before.past[0]?.taken).toBeUndefined()
    await post('/told', { checkInId: await firstQuestion(), answers: CALM })
    const next = await bundleOf(owner, before.visit.id)
    expect(next.past[0]?.taken).toBe('well')
  })
  it('are asked again tomorrow where something is to be watched', async () => {
    await db`update check_ins set due_on = current_date - 1 where visit_id = ${visit}`
    await post('/told', { checkInId: await firstQuestion(), answers: { ...CALM, itch: 'little' } })
    const { checkIns } = await after()
    expect(checkIns.length).toBe(3)
    expect(checkIns.find(({ byTelephone }) => byTelephone)?.outcome).toBe('watch')
  })
  it('of one visit are not answered under another, nor by a guessed link', async () => {
    const other = await sealedVisit(owner, 'owner', who)
    const checkInId = await firstQuestion()
    expect((await post('/told', { checkInId, answers: CALM }, owner, other)).status).toBe(404)
    const guess = randomBytes(32).toString('base64url')
    expect((await submit(guess, CALM)).status).toBe(404)
    expect((await submit('short', CALM)).status).toBe(404)
    expect((await submit(await linkTo(checkInId), { ...CALM, feel: 'great' })).status).toBe(400)
    // Silence is no answer, and neither are spots without their place.
    expect((await submit(await linkTo(checkInId), {})).status).toBe(400)
    const spots = { ...CALM, spots: 'few' }
    expect((await submit(await linkTo(checkInId), spots)).status).toBe(400)
  })
})

describe('a card on the own device', () => {
  it('is opened by its link again and again, and by no other', async () => {
    const made = await post('/card-link', { id: randomUUID(), send: false })
    const { token } = made.body as { token: string }
    for (let tries = 0; tries < 2; tries++) {
      const card = await client('/api/card/open', { method: 'POST', body: { token } })
      expect(card.status, card.text).toBe(200)
      expect(card.body).toMatchObject({ practice: { emergency: '112' } })
    }
    // A card opens no question and the other way round.
    expect((await client('/api/how/open', { method: 'POST', body: { token } })).status).toBe(404)
    const question = await linkTo(await firstQuestion())
    const crossed = await client('/api/card/open', { method: 'POST', body: { token: question } })
    expect(crossed.status).toBe(404)
  })
})

describe('a routine for home', () => {
  const wishes = (perWeek: number) => ({
    nights: [{ id: 'retinoid', perWeek, strength: 'usual' }],
    vitaminC: true,
    named: {},
  })
  it('is worked out by the house, kept in versions, and its evenings count at the next visit', async () => {
    const uses = { retinoid: { perWeek: 7, strength: 'strong', since: 'months' } }
    const asked = { ...NOTHING_ASKED, uses }
    const body = { id: randomUUID(), asked, wishes: wishes(7) }
    expect((await post('/routine', body)).status).toBe(200)
    // Sent twice it is one version.
    await post('/routine', body)
    const { routine, versions } = await after()
    expect(versions).toHaveLength(1)
    expect(routine?.routine.morning.at(-1)?.id).toBe('sun')
    expect(routine?.routine.nights.some(({ id }) => id === 'retinoid')).toBe(true)
    // Back in time by ten days, the evenings since then lie before today.
    await db`update home_routines set at = at - interval '10 days', routine = jsonb_set(routine, '{nights}',
      (select jsonb_agg(jsonb_set(night, '{day}', to_jsonb(((night->>'day')::date - 10)::text)))
        from jsonb_array_elements(routine->'nights') night)) where visit_id = ${visit}`
    const next = await prepared(owner, 'owner', who)
    const planned = (await bundleOf(owner, next)).poured.filter(({ planned }) => planned)
    expect(planned.length).toBeGreaterThan(0)
  })
  it('refuses what is no routine, by its field', async () => {
    const asked = { ...NOTHING_ASKED, steps: 5 }
    expect((await post('/home-asked', { id: randomUUID(), asked })).status).toBe(400)
    const twice = { ...wishes(2), nights: [...wishes(2).nights, ...wishes(3).nights] }
    const body = { id: randomUUID(), asked: NOTHING_ASKED, wishes: twice }
    expect((await post('/routine', body)).status).toBe(400)
  })
})

describe('a note for a doctor', () => {
  it('is written, answered once, and gone with the file', async () => {
    const id = randomUUID()
    const note = { id, regions: ['chin'], seen: 'a sore that does not heal', since: 'six weeks' }
    expect((await post('/referrals', note)).status).toBe(200)
    const answer = { referralId: id, answer: 'seen, nothing to worry about' }
    expect((await post('/referral-answers', answer)).status).toBe(200)
    expect((await post('/referral-answers', answer)).status).toBe(409)
    expect((await after()).referrals[0]?.answer?.text).toContain('nothing to worry')
    const reopened = await owner(`/api/people/${who}/export`)
    expect(reopened.text).toContain('a sore that does not heal')
  })
})
