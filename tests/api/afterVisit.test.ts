import { beforeAll, describe, expect, it } from 'vitest'
import type { ClientFile } from '#contracts/clientFile'
import type { DayPage } from '#contracts/day'
import { addDays } from '#core/screening/days'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, sealedVisit, someone, tap, treating } from '../support/visit'

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
    const setTo = async (at: string | null) => {
      const { visit } = await bundleOf(owner, id)
      const reply = await owner(`/api/visits/${id}`, {
        method: 'PATCH',
        body: { version: visit.version, nextVisitAt: at },
      })
      expect(reply.status, reply.text).toBe(200)
    }
    const onDay = async (day: string) =>
      (await dayPage(day)).visits.filter((own) => own.clientId === client.id)
    await setTo('2033-03-02T09:00:00Z')
    expect(await onDay('2033-03-02')).toHaveLength(1)
    expect((await bundleOf(owner, id)).nextBooked?.startsAt).toBe(
      Date.parse('2033-03-02T09:00:00Z'),
    )
    await setTo('2033-03-03T09:00:00Z')
    expect(await onDay('2033-03-02')).toHaveLength(0)
    expect(await onDay('2033-03-03')).toHaveLength(1)
    await setTo('2033-03-03T09:00:00Z')
    expect(await onDay('2033-03-03')).toHaveLength(1)
    await setTo(null)
    expect(await onDay('2033-03-03')).toHaveLength(0)
    expect(practice.timeZone).not.toBe('')
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
