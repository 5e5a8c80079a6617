import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { toPlanInput } from '#core/visit/planInput'
import { add, dayOf, tuesdaysOf, wanted } from '../support/bookings'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf } from '../support/visit'

const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 2, onnotice: () => {} })
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(testUrl(), 'owner')
})
afterAll(() => app.end())
const aTuesday = tuesdaysOf(2043)

describe('a visit that does not go as booked', () => {
  it('falls away with how and why, and its place is free again', async () => {
    const day = aTuesday()
    const visit = wanted(day, '08:00')
    await add(owner, visit)
    const fellAway = { as: 'calledOff', because: 'the ferry was late' }
    const body = { version: 1, fellAway }
    expect((await owner(`/api/visits/${visit.id}`, { method: 'PATCH', body })).status).toBe(200)
    expect((await dayOf(owner, day)).visits).toHaveLength(0)
    expect((await add(owner, wanted(day, '08:00'))).status).toBe(200)
    const [row] = await app`select fell_away, fell_away_because from visits where id = ${visit.id}`
    expect(row).toEqual({ fell_away: 'calledOff', fell_away_because: 'the ferry was late' })
  })
  it('is no no-show before its time has come', async () => {
    const visit = wanted(aTuesday(), '08:00')
    await add(owner, visit)
    const noShow = (version: number) =>
      owner(`/api/visits/${visit.id}`, {
        method: 'PATCH',
        body: { version, fellAway: { as: 'noShow', because: '' } },
      })
    const early = await noShow(1)
    expect(early.status).toBe(422)
    expect(early.text).toContain('has not begun yet')
    await app`update visits set starts_at = now() - interval '401 days' where id = ${visit.id}`
    expect((await noShow(1)).status).toBe(200)
  })
  it('is booked again where its place is still free, and seen on its day until then', async () => {
    const day = aTuesday()
    const visit = wanted(day, '08:00')
    await add(owner, visit)
    const change = (body: object) => owner(`/api/visits/${visit.id}`, { method: 'PATCH', body })
    expect((await change({ version: 1, fellAway: null })).status, 'nothing to take back').toBe(422)
    await change({ version: 1, fellAway: { as: 'calledOff', because: 'ill' } })
    const { fallen } = await dayOf(owner, day)
    expect(fallen).toMatchObject([{ id: visit.id, version: 2, as: 'calledOff', because: 'ill' }])
    const other = wanted(day, '08:00')
    await add(owner, other)
    expect((await change({ version: 2, fellAway: null })).status, 'taken').toBe(409)
    const off = { version: 1, fellAway: { as: 'calledOff', because: '' } }
    await owner(`/api/visits/${other.id}`, { method: 'PATCH', body: off })
    expect((await change({ version: 1, fellAway: null })).status, 'seen too early').toBe(409)
    expect((await change({ version: 2, fellAway: null })).status).toBe(200)
    const { visits, fallen: left } = await dayOf(owner, day)
    expect(visits.map(({ id }) => id)).toEqual([visit.id])
    expect(left.map(({ id }) => id)).toEqual([other.id])
  })
  it('is booked and moved to a time to come only; who walks in during it still is', async () => {
    const behind = (minutes: number) => new Date(Date.now() - minutes * 60_000).toISOString()
    const over = wanted(aTuesday(), '08:00', { startsAt: behind(61) })
    const late = await add(owner, over)
    expect([late.status, late.text.includes('That time is over')]).toEqual([422, true])
    const walkIn = wanted(aTuesday(), '08:00', {
      startsAt: behind(5),
      allowedBecause: 'walked in',
    })
    expect((await add(owner, walkIn)).status).toBe(200)
    const body = { version: 1, startsAt: behind(90) }
    expect((await owner(`/api/visits/${walkIn.id}`, { method: 'PATCH', body })).status).toBe(422)
    await app`update visits set status = 'cancelled' where id = ${walkIn.id}`
  })
  it('a client who came late has a shorter plan', async () => {
    const visit = wanted(aTuesday(), '08:00')
    await add(owner, visit)
    const before = toPlanInput(await bundleOf(owner, visit.id)).slotMinutes
    const body = { version: 1, lateMinutes: 20 }
    expect((await owner(`/api/visits/${visit.id}`, { method: 'PATCH', body })).status).toBe(200)
    expect(toPlanInput(await bundleOf(owner, visit.id)).slotMinutes).toBe(before - 20)
  })
})
