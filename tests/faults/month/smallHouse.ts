import { randomUUID } from 'node:crypto'
import { expect } from 'vitest'
import type { HousePage, StaffLink } from '#contracts/replies/house'
import { LICENCE_IDS } from '#core/catalogue/kinds'
import { openHouse } from '../../../scripts/house.mjs'
import { caller, type Caller } from '../../support/http'

export type House = Awaited<ReturnType<typeof openHouse>> & { address?: string; setupKey?: string }
export interface Hand {
  id: string
  name: string
  call: Caller
}
/** A small house that somebody furnished by its routes: three people, two rooms, forty clients. */
export interface SmallHouse {
  house: House
  people: { owner: Hand; stays: Hand; leaves: Hand }
  rooms: string[]
  clients: string[]
}
/** Where it stands: known once a house was opened. */
export const zoneOfHouse = () => process.env.OAK_DEMO_ZONE ?? 'UTC'
const PASSWORD = 'a month in four words'
export const OWNER_PASSWORD = PASSWORD

export async function must(call: Caller, method: string, path: string, body: object = {}) {
  const reply = await call(path, { method, ...(method === 'GET' ? {} : { body }) })
  expect(reply.status, `${method} ${path}: ${reply.text}`).toBe(200)
  return reply.body
}

/** Begins the house, takes two people in, opens hours Monday to Friday, fills shelf and files. */
export async function furnished(clientCount: number): Promise<SmallHouse> {
  const house: House = await openHouse('faults-month', {
    empty: true,
    firstPort: 25060,
    wanted: 4490,
  })
  const address = house.address ?? ''
  const begin = caller(address)
  const email = 'maren@house.example'
  await must(begin, 'POST', '/api/setup', {
    ...{ key: house.setupKey, name: 'Maren Holt', email, password: PASSWORD },
    ...{ house: 'Two Rooms', timeZone: zoneOfHouse(), licences: [...LICENCE_IDS] },
  })
  const page = (await must(begin, 'GET', '/api/house')) as HousePage
  const [first] = page.rooms
  const second = { id: randomUUID(), name: 'Garden room', closed: false }
  await must(begin, 'PUT', '/api/rooms', second)
  const owner = { id: page.people[0]?.id ?? '', name: 'Maren Holt', call: begin }
  const stays = await takenIn(address, owner, 'Jory Pell')
  const leaves = await takenIn(address, owner, 'Sanna Lind')
  await must(begin, 'PUT', '/api/openings', {
    staffId: null,
    openings: [1, 2, 3, 4, 5].map((weekday) => ({ weekday, fromMinute: 540, toMinute: 1080 })),
  })
  await must(begin, 'POST', '/api/shelf/starter')
  for (const kind of ['steamer', 'towelCabinet'])
    await must(begin, 'PUT', '/api/devices', {
      ...{ id: randomUUID(), kind, name: kind, serial: '', serviceDue: null, ready: true },
    })
  const clients: string[] = []
  for (let at = 0; at < clientCount; at++) clients.push(await entered(owner.call, `Client ${at}`))
  return { house, people: { owner, stays, leaves }, rooms: [first?.id ?? '', second.id], clients }
}

async function takenIn(address: string, owner: Hand, name: string): Promise<Hand> {
  const id = randomUUID()
  const email = `${name.split(' ')[0]?.toLowerCase()}@house.example`
  const link = (await must(owner.call, 'POST', '/api/staff', {
    ...{ id, name, email, role: 'therapist' },
  })) as StaffLink
  const call = caller(address)
  await must(call, 'POST', '/api/join/submit', { token: link.token, password: PASSWORD })
  await must(call, 'POST', '/api/session', { email, password: PASSWORD })
  await must(owner.call, 'PUT', '/api/scope', { staffId: id, licences: LICENCE_IDS, until: {} })
  return { id, name, call }
}

export async function entered(call: Caller, name: string): Promise<string> {
  const id = randomUUID()
  await must(call, 'POST', '/api/people', {
    ...{ id, name, born: '1985-04-04', phone: '', email: '', work: '', medicines: '', notes: '' },
    ...{ faceHeightMm: 190, faceWidthMm: 140 },
  })
  return id
}
