import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DayPage } from '#contracts/replies/day'
import type { Place } from '#contracts/replies/house'
import type { PeoplePage } from '#contracts/replies/people'
import { caller, signedIn, testUrl, type Caller } from '../support/http'
import {
  book,
  bundleOf,
  byTheWall,
  prepared,
  ROOM,
  sealedVisit,
  someone,
  STAFF,
} from '../support/visit'
import { client as fields, TABLE } from './accessTable'

const base = testUrl()
const password = 'books and says nothing'
const id = randomUUID()
const email = `desk-${id.slice(0, 8)}@oakbasin.example`
let owner: Caller
let desk: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  const added = await owner('/api/staff', {
    method: 'POST',
    body: { id, name: 'At The Desk', email, role: 'receptionist' },
  })
  expect(added.status, added.text).toBe(200)
  const { token } = added.body as { token: string }
  await caller(base)('/api/join/submit', { method: 'POST', body: { token, password } })
  desk = caller(base)
  expect((await desk('/api/session', { method: 'POST', body: { email, password } })).status).toBe(
    200,
  )
})
const change = (visitId: string, body: object) =>
  desk(`/api/visits/${visitId}`, { method: 'PATCH', body })

/** All that the desk may ask for; whatever is not here is of somebody's health, or of the house. */
const OPEN_TO_IT = [
  'GET /api/staff',
  'GET /api/people',
  'GET /api/day',
  'GET /api/week',
  'GET /api/places',
  'POST /api/people',
  'POST /api/visits',
]

describe('the desk books', () => {
  it('and is refused every other route there is, whoever the client is', async () => {
    const clientId = await someone(owner, 'Closed To Desk')
    const visit = await sealedVisit(owner, 'owner', clientId)
    const REFUSED = [401, 403]
    for (const row of TABLE) {
      const [method = 'GET', path = ''] = row.route.split(' ')
      // Its own session is its own; a visit's place is looked at below.
      if (path.startsWith('/api/session') || row.route === 'PATCH /api/visits/[id]') continue
      const object =
        row.object === 'visit' ? visit : row.object === 'client' ? clientId : randomUUID()
      const asked = row.query === undefined ? path : `${path}?${row.query}`
      const { status } = await desk(asked.replace('[id]', object), {
        method,
        ...(row.body ? { body: row.body(object, 'owner') } : {}),
      })
      if (OPEN_TO_IT.includes(row.route)) expect(REFUSED, row.route).not.toContain(status)
      else expect(REFUSED, row.route).toContain(status)
    }
  })
  it('sees names and times on Day, and nothing of what is told, planned or due', async () => {
    const planned = await prepared(owner, 'owner', await someone(owner, 'Planned For Hours'))
    const { visit, practice } = await bundleOf(owner, planned)
    const on = new Intl.DateTimeFormat('en-CA', { timeZone: practice.timeZone }).format(visit.at)
    const dayOf = async (call: Caller) => (await call(`/api/day?date=${on}`)).body as DayPage
    const own = (page: DayPage) => page.visits.find((one) => one.id === planned)
    expect(own(await dayOf(owner))?.strip.length, 'an owner sees the plan').toBeGreaterThan(0)
    const page = await dayOf(desk)
    expect(own(page)).toMatchObject({
      client: 'Planned For Hours',
      aims: [],
      strip: [],
      basins: null,
      devices: [],
      setAt: null,
    })
    expect([page.calls, page.dues]).toEqual([[], []])
  })
  it('finds everybody by name, adds people without a word of health, books, moves and calls off', async () => {
    const { total } = (await desk('/api/people')).body as PeoplePage
    expect(total).toBe(((await owner('/api/people')).body as PeoplePage).total)
    const someoneNew = randomUUID()
    const add = (more: object) =>
      desk('/api/people', { method: 'POST', body: { id: someoneNew, ...fields, ...more } })
    expect((await add({ medicines: 'tablets' })).status).toBe(403)
    expect((await add({ notes: 'shy' })).status).toBe(403)
    expect((await add({ name: 'By The Desk' })).status).toBe(200)
    const visitId = randomUUID()
    const body = {
      ...{ id: visitId, clientId: someoneNew, staffId: STAFF.therapist, roomId: ROOM },
      ...{ startsAt: byTheWall('2033-05-03', '09:00'), minutes: 60 },
    }
    const booked = await desk('/api/visits', { method: 'POST', body })
    expect(booked.status, booked.text).toBe(200)
    const startsAt = byTheWall('2033-05-03', '11:00')
    expect((await change(visitId, { version: 1, startsAt })).status).toBe(200)
    expect((await change(visitId, { version: 2, lateMinutes: 10 })).status).toBe(200)
    expect((await change(visitId, { version: 3, aims: ['redness'] })).status).toBe(403)
    expect((await change(visitId, { version: 3, nextVisitAt: startsAt })).status).toBe(403)
    const off = { as: 'calledOff', because: '' }
    expect((await change(visitId, { version: 3, fellAway: off })).status).toBe(200)
    expect((await change(visitId, { version: 4, fellAway: null })).status).toBe(200)
  })
  it('treats nobody: is offered for no visit, holds none, and nobody becomes one who does', async () => {
    const places = (await desk('/api/places?from=2033-05-02&minutes=60&days=5&most=50'))
      .body as Place[]
    expect(places.length).toBeGreaterThan(0)
    expect(places.map(({ staffId }) => staffId)).not.toContain(id)
    const visitId = await book(owner, 'owner', await someone(owner, 'Whose Hands'))
    expect((await change(visitId, { version: 1, staffId: id })).status).toBe(422)
    const body = {
      ...{
        id: randomUUID(),
        clientId: await someone(owner, 'No Hands'),
        staffId: id,
        roomId: ROOM,
      },
      ...{ startsAt: byTheWall('2033-05-04', '09:00'), minutes: 60 },
    }
    expect((await owner('/api/visits', { method: 'POST', body })).status).toBe(422)
  })
})
