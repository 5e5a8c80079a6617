import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { makeOwnerLink } from '#db/ownerLink'
import { AGAIN } from '../support/accounts'
import { demoId } from '#db/demo/ids'
import { caller, signedIn, testUrl, type Caller } from '../support/http'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const ilse = demoId('ilse')

describe('an open session takes no account', () => {
  it('makes no link, for oneself or another, without the password', async () => {
    for (const who of [ilse, demoId('tomas')]) {
      const link = (body: object) => owner(`/api/staff/${who}/link`, { method: 'POST', body })
      expect((await link({})).status).toBe(400)
      expect((await link({ password: 'not the one' })).status).toBe(401)
    }
    expect((await owner('/api/session')).status, 'and stays as it was').toBe(200)
  })
  it('makes nobody an owner, changes no address and brings nobody back without it', async () => {
    const id = randomUUID()
    const person = { id, name: 'Would Be', email: `${id}@house.example` }
    const add = (body: object) => owner('/api/staff', { method: 'POST', body })
    expect((await add({ ...person, role: 'owner' })).status).toBe(401)
    expect((await add({ ...person, role: 'therapist' })).status).toBe(200)
    const put = (body: object) => owner(`/api/staff/${id}`, { method: 'PATCH', body })
    const now = { name: 'Would Be', email: person.email, role: 'therapist', active: true }
    expect((await put({ ...now, name: 'Is Called' })).status, 'a name opens nothing').toBe(200)
    for (const more of [{ role: 'owner' }, { email: `x${person.email}` }, { active: false }])
      expect((await put({ ...now, ...more })).status, JSON.stringify(more)).toBe(401)
    expect((await put({ ...now, active: false, again: AGAIN('owner') })).status).toBe(200)
  })
  it('the only owner who forgot everything has a link at the terminal, and everybody sees it', async () => {
    const url = process.env.OAK_TEST_OWNER_DB ?? ''
    const id = randomUUID()
    const email = `${id}@house.example`
    const again = AGAIN('owner')
    const person = { id, name: 'Second Owner', email, role: 'owner', again }
    expect((await owner('/api/staff', { method: 'POST', body: person })).status).toBe(200)
    expect(await makeOwnerLink(url, { noFactor: false })).toContain('Which owner?')
    expect(await makeOwnerLink(url, { email: 'nobody@house.example', noFactor: false })).toContain(
      'No owner',
    )
    const made = await makeOwnerLink(url, { email, noFactor: false })
    if (typeof made === 'string') throw new Error(made)
    const setup = (await caller(base)('/api/setup')).body as { ownerLinkAt: number }
    expect(Math.abs(Date.now() - setup.ownerLinkAt)).toBeLessThan(600_000)
    const body = { token: made.token, password: 'four words are good' }
    expect((await caller(base)('/api/join/submit', { method: 'POST', body })).status).toBe(200)
    expect((await caller(base)('/api/join/submit', { method: 'POST', body })).status).toBe(404)
    const { lines } = (await owner(`/api/audit?staffId=${id}`)).body as {
      lines: { action: string }[]
    }
    expect(lines.map(({ action }) => action)).toContain('staff.owner-link')
  })
  it('a person holds no licence until it is told', async () => {
    const id = randomUUID()
    const person = { id, name: 'Not Asked', email: `${id}@house.example`, role: 'therapist' }
    const told = ['basic', 'machine']
    const add = (body: object) => owner('/api/staff', { method: 'POST', body })
    await add(person)
    const other = { ...person, id: randomUUID(), email: `x${person.email}`, licences: told }
    await add(other)
    const { people } = (await owner('/api/practice')).body as {
      people: { id: string; licences: string[] }[]
    }
    expect(people.find((one) => one.id === id)?.licences).toEqual([])
    expect(people.find((one) => one.id === other.id)?.licences).toEqual(told)
  })
})
