import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/replies/clientFile'
import type { DayPage } from '#contracts/replies/day'
import { addDays } from '#core/screening/asking/days'
import type { Readings } from '#core/skin/readings'
import { toPlanInput } from '#core/visit/planInput'
import { readParts } from '#core/visit/record'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, prepared, someone, tap, throughTheRoom, treating } from '../support/visit'
import { withAcid } from '../support/ownPlan'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const fileOf = async (clientId: string) =>
  (await owner(`/api/people/${clientId}`)).body as ClientFile
const dayOf = (at: number, zone: string) =>
  new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at)

/** Booked for some weeks ahead, treated now, with an acid mask in it. */
async function treatedAhead(name: string) {
  const client = await someone(owner, name)
  return { client, ...(await withAcid(client)) }
}

describe('a visit is of the day on which it is treated', () => {
  it('booked ahead and begun now it moves to now, and says so', async () => {
    const client = await someone(owner, 'Came Early')
    const id = await prepared(owner, 'owner', client)
    const before = await bundleOf(owner, id)
    expect(before.today > dayOf(Date.now(), before.practice.timeZone)).toBe(true)
    expect((await owner(`/api/visits/${id}/start`, { method: 'POST' })).status).toBe(200)
    const after = await bundleOf(owner, id)
    // Of the moment it began: a midnight between here and there belongs to nobody.
    const today = dayOf(after.visit.at, before.practice.timeZone)
    expect(after.today).toBe(today)
    expect(after.visit.at).toBeLessThanOrEqual(Date.now())
    const day = (await owner(`/api/day?date=${today}`)).body as DayPage
    expect(day.visits.map((visit) => visit.id)).toContain(id)
    const old = (await owner(`/api/day?date=${before.today}`)).body as DayPage
    expect(old.visits.map((visit) => visit.id)).not.toContain(id)
  })
  it('the next day knows of it before it is sealed: rests, load, past, reactions', async () => {
    const { client, id, began } = await treatedAhead('Not Sealed Yet')
    const next = await prepared(owner, 'owner', client)
    const bundle = await bundleOf(owner, next)
    expect(bundle.past).toHaveLength(1)
    expect(bundle.past[0]?.families).toContain('acid')
    expect(bundle.poured.some(({ loads }) => (loads.cheekL ?? 0) > 0)).toBe(true)
    expect(bundle.past[0]?.day).toBe(dayOf(began, bundle.practice.timeZone))
    // Booked within the week, the acid rests.
    const within = { ...bundle, today: addDays(bundle.past[0]?.day ?? '', 1) }
    const input = toPlanInput({
      ...within,
      visit: { ...bundle.visit, at: Date.now() + 86_400_000 },
    })
    expect(input.past[0]?.families).toContain('acid')
    expect(input.residual.cheekL).toBeGreaterThan(0)
    const file = await fileOf(client)
    expect(file.waits.map(({ family }) => family)).toContain('acid')
    expect(file.poured.length).toBeGreaterThan(0)
    // Sealed it says the same, once.
    const finished = { events: [tap({ kind: 'finished' }, Date.now(), { planVersion: 2 })] }
    await owner(`/api/visits/${id}/events`, { method: 'POST', body: finished })
    const sealed = await owner(`/api/visits/${id}/seal`, {
      method: 'POST',
      body: { text: '', asItStands: true },
    })
    expect(sealed.status, sealed.text).toBe(200)
    expect((await bundleOf(owner, next)).past).toEqual(bundle.past)
    expect((await bundleOf(owner, next)).poured).toEqual(bundle.poured)
  })
  it('its record carries the moment it was treated, and the booked one beside it', async () => {
    const { id, began } = await treatedAhead('Written Down')
    await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: { events: [tap({ kind: 'finished' }, Date.now(), { planVersion: 2 })] },
    })
    await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '', asItStands: true } })
    const { record } = await bundleOf(owner, id)
    const visit = record.find(({ name }) => name === 'visit')?.content as { startsAt: string }
    expect(Date.parse(visit.startsAt)).toBe(began)
    expect(readParts(record).treatment?.startedAt).toBe(new Date(began).toISOString())
  })
  it('one that was never begun is not sealed', async () => {
    const id = await prepared(owner, 'owner', await someone(owner, 'Never Begun'))
    const reply = await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '' } })
    expect(reply.status).toBe(422)
  })
  it('a second reading of some zones leaves the others as they were read', async () => {
    const client = await someone(owner, 'Read Twice')
    const id = await treating(owner, 'owner', client)
    const body = { events: [tap({ kind: 'reading', zones: { cheekL: { redness: 2 } } })] }
    const saved = await owner(`/api/visits/${id}/events`, { method: 'POST', body })
    expect(saved.status, saved.text).toBe(200)
    await throughTheRoom(owner, id)
    const next = await bundleOf(owner, await prepared(owner, 'owner', client))
    const zones: Readings = next.previousReading?.zones ?? {}
    expect(zones.cheekL?.redness).toBe(2)
    expect(zones.cheekL?.oil).toBeDefined()
    expect(zones.nose?.oil).toBeDefined()
    expect(Object.keys(zones).length).toBeGreaterThan(20)
  })
})
