import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/replies/clientFile'
import type { DayPage } from '#contracts/replies/day'
import { addDays } from '#core/screening/asking/days'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, byTheWall, sealedVisit, someone, tap, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const dayPage = async (day: string) => (await owner(`/api/day?date=${day}`)).body as DayPage
const fileOf = async (clientId: string) =>
  (await owner(`/api/people/${clientId}`)).body as ClientFile

describe('the next visit', () => {
  it('set at Close stands on its day, moves with it, and goes with it', async () => {
    const id = await sealedVisit(owner, 'owner', await someone(owner, 'Comes Again'))
    const { client, practice } = await bundleOf(owner, id)
    const ask = async (at: string | null, more: object = {}) => {
      const { visit } = await bundleOf(owner, id)
      return owner(`/api/visits/${id}`, {
        method: 'PATCH',
        body: { version: visit.version, nextVisitAt: at, ...more },
      })
    }
    const setTo = async (at: string | null) => {
      const reply = await ask(at, { movesNext: true })
      expect(reply.status, reply.text).toBe(200)
    }
    const onDay = async (day: string) =>
      (await dayPage(day)).visits.filter((own) => own.clientId === client.id)
    await setTo(byTheWall('2033-03-02', '11:00'))
    expect(await onDay('2033-03-02')).toHaveLength(1)
    expect((await bundleOf(owner, id)).nextBooked?.startsAt).toBe(
      Date.parse(byTheWall('2033-03-02', '11:00')),
    )
    // One that is booked already is moved only when that is said.
    const silent = await ask(byTheWall('2033-03-03', '11:00'))
    expect(silent.status).toBe(409)
    expect(silent.text).toContain('movesNext')
    expect(await onDay('2033-03-02')).toHaveLength(1)
    await setTo(byTheWall('2033-03-03', '11:00'))
    expect(await onDay('2033-03-02')).toHaveLength(0)
    expect(await onDay('2033-03-03')).toHaveLength(1)
    await setTo(byTheWall('2033-03-03', '11:00'))
    expect(await onDay('2033-03-03')).toHaveLength(1)
    await setTo(null)
    expect(await onDay('2033-03-03')).toHaveLength(0)
    expect(practice.timeZone).not.toBe('')
    // Never in the past; outside the hours only with a reason, and that is kept beside it.
    const over = await ask('2024-03-03T11:00:00Z')
    expect(over.status).toBe(422)
    expect(over.text).toContain('is over')
    const night = byTheWall('2033-03-04', '03:00')
    expect((await ask(night)).status).toBe(409)
    const allowedBecause = 'before the first ferry'
    expect((await ask(night, { allowedBecause })).status).toBe(200)
    expect(await onDay('2033-03-04')).toMatchObject([{ allowedBecause }])
    await setTo(null)
  })
})

describe('a call after a stop', () => {
  it('stands on Day and in the file until it was made', async () => {
    const id = await treating(owner, 'owner', await someone(owner, 'Called After'))
    const { client, today } = await bundleOf(owner, id)
    const stopped = [tap({ kind: 'started' }), tap({ kind: 'stopped', reason: 'hand up' })]
    await owner(`/api/visits/${id}/events`, { method: 'POST', body: { events: stopped } })
    const due = addDays(today, 1)
    const calls = async (day: string) =>
      (await dayPage(day)).calls.filter((call) => call.visitId === id)
    expect(await calls(today)).toEqual([])
    expect(await calls(due)).toMatchObject([{ dueOn: due, client: client.name }])
    expect(await calls(addDays(due, 3))).toHaveLength(1)
    expect((await fileOf(client.id)).calls.map((call) => call.visitId)).toEqual([id])
    const made = await owner(`/api/visits/${id}/follow-up`, { method: 'POST' })
    expect(made.status).toBe(200)
    expect(await calls(due)).toEqual([])
    expect((await fileOf(client.id)).calls).toEqual([])
  })
})
