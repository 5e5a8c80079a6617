import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { planHash } from '#core/record/planHash'
import { allNo } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import {
  bundleOf,
  countersigned,
  prepared,
  seenOf,
  throughTheRoom,
  treating,
} from '../support/visit'

/** Two hands on one visit: one counts, the other is told and loses nothing. */
let owner: Caller
let therapist: Caller
let trainee: Caller
beforeAll(async () => {
  ;[owner, therapist, trainee] = await Promise.all([
    signedIn(testUrl(), 'owner'),
    signedIn(testUrl(), 'therapist'),
    signedIn(testUrl(), 'trainee'),
  ])
})
const put = (call: Caller, id: string, steps: readonly PlanStep[], seen: string | null) =>
  call(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps, seen } })
const draftOf = async (id: string) =>
  (await bundleOf(owner, id)).plans.find((plan) => plan.version === 0)?.steps ?? []
/** The same plan with its first step so much longer. */
const longer = (steps: readonly PlanStep[], more: number) =>
  steps.map((step, at) =>
    at === 0 ? { ...step, minutes: step.minutes + more } : step,
  ) as PlanStep[]

describe('a plan', () => {
  it('is saved over by whoever has seen it; the other is told, and nothing is changed', async () => {
    const id = await prepared(owner, 'owner', 'other-13')
    const steps = await draftOf(id)
    const seen = planHash(steps)
    const replies = await Promise.all(
      [0.5, 1, 1.5].map((more) => put(owner, id, longer(steps, more), seen)),
    )
    expect(replies.map(({ status }) => status).sort()).toEqual([200, 409, 409])
    const stands = await draftOf(id)
    expect(planHash(stands)).not.toBe(seen)
    expect((await put(owner, id, steps, null)).status, 'has seen no plan').toBe(409)
    expect(await draftOf(id)).toEqual(stands)
    expect((await put(owner, id, stands, null)).status, 'the same plan twice').toBe(200)
  })
  it('that was begun with is not saved over', async () => {
    const id = await prepared(owner, 'owner', 'other-14')
    const steps = await draftOf(id)
    const [start, save] = await Promise.all([
      owner(`/api/visits/${id}/start`, { method: 'POST' }),
      put(owner, id, longer(steps, 1), planHash(steps)),
    ])
    const bundle = await bundleOf(owner, id)
    const begun = bundle.plans.find((plan) => plan.version === 1)
    const draft = bundle.plans.find((plan) => plan.version === 0)
    // Whichever came first: what was begun with is what was looked at.
    if (start.status === 200) {
      expect(begun?.steps).toEqual(steps)
      expect(save.status).toBe(422)
    } else {
      expect([start.status, save.status]).toEqual([409, 200])
      expect(begun).toBeUndefined()
      expect(draft?.steps).toEqual(longer(steps, 1))
    }
  })
  it('begins once, however many tap', async () => {
    const id = await prepared(owner, 'owner', 'other-15')
    const start = () => owner(`/api/visits/${id}/start`, { method: 'POST' })
    const replies = await Promise.all([start(), start(), start()])
    expect(replies.every(({ status }) => [200, 409].includes(status))).toBe(true)
    expect(replies.some(({ status }) => status === 200)).toBe(true)
    const { plans, visit } = await bundleOf(owner, id)
    expect(plans.filter((plan) => plan.version === 1)).toHaveLength(1)
    expect(visit.status).toBe('treating')
  })
  it('is begun with or called off, never both', async () => {
    const id = await prepared(owner, 'owner', 'other-16')
    const { version } = (await bundleOf(owner, id)).visit
    const off = { version, fellAway: { as: 'calledOff', because: 'ill' } }
    const [start, called] = await Promise.all([
      owner(`/api/visits/${id}/start`, { method: 'POST' }),
      owner(`/api/visits/${id}`, { method: 'PATCH', body: off }),
    ])
    const { status } = (await bundleOf(owner, id)).visit
    if (status === 'cancelled') {
      expect(called.status).toBe(200)
      expect(start.status).toBeGreaterThanOrEqual(400)
    } else {
      expect([status, start.status]).toEqual(['treating', 200])
      expect(called.status).toBeGreaterThanOrEqual(400)
    }
    const answers = { id: randomUUID(), answers: allNo(), medicines: '' }
    const told = await owner(`/api/visits/${id}/answers`, { method: 'PUT', body: answers })
    expect(told.status).toBe(status === 'cancelled' ? 422 : 200)
  })
  it('is not begun with past an answer that comes in at that moment', async () => {
    const id = await prepared(owner, 'owner', 'other-17')
    const answers = { ...allNo(), isotretinoin: { say: 'yes', date: '2026-01-01' } }
    const body = { id: randomUUID(), answers, medicines: '' }
    const [start, told] = await Promise.all([
      owner(`/api/visits/${id}/start`, { method: 'POST' }),
      owner(`/api/visits/${id}/answers`, { method: 'PUT', body }),
    ])
    expect(told.status).toBe(200)
    // Begun before it was told, or not begun: the plan is looked at with the answer in it.
    if (start.status !== 200) expect([409, 422]).toContain(start.status)
  })
})

describe('a countersign', () => {
  it('is for the plan that was seen, not for the one it has become', async () => {
    const id = await prepared(owner, 'trainee', 'other-18')
    const steps = await draftOf(id)
    const seen = planHash(steps)
    expect((await put(trainee, id, longer(steps, 1), seen)).status).toBe(200)
    const late = await therapist(`/api/visits/${id}/countersign`, {
      method: 'POST',
      body: { hash: seen },
    })
    expect(late.status).toBe(409)
    expect((await bundleOf(owner, id)).plans[0]?.countersignedBy).toBeNull()
    expect((await countersigned(therapist, id)).status).toBe(200)
  })
  it('is given after the fact to what a trainee made in the room, before the record is sealed', async () => {
    const id = await prepared(owner, 'trainee', 'other-19')
    await countersigned(therapist, id)
    expect((await trainee(`/api/visits/${id}/start`, { method: 'POST' })).status).toBe(200)
    const steps =
      (await bundleOf(trainee, id)).plans.find((plan) => plan.version === 1)?.steps ?? []
    const made = await trainee(`/api/visits/${id}/versions`, {
      method: 'POST',
      body: { version: 2, reason: 'a little longer', steps: longer(steps, 0.5) },
    })
    expect(made.status, made.text).toBe(200)
    await throughTheRoom(trainee, id)
    const seal = () =>
      therapist(`/api/visits/${id}/seal`, { method: 'POST', body: { text: 'x', asItStands: true } })
    const early = await seal()
    expect(early.status).toBe(422)
    expect(early.text).toContain('countersign it first')
    expect((await countersigned(trainee, id, 2)).status).toBe(403)
    expect((await countersigned(therapist, id, 2)).status).toBe(200)
    const sealed = await seal()
    expect(sealed.status, sealed.text).toBe(200)
  })
})

describe("a record's words", () => {
  it('are kept of whoever has seen the last; the other is told', async () => {
    const id = await treating(owner, 'owner', 'other-21')
    const { version } = (await bundleOf(owner, id)).visit
    const keep = (text: string) =>
      owner(`/api/visits/${id}/record`, { method: 'PUT', body: { text, version } })
    const replies = await Promise.all([keep('one'), keep('two')])
    expect(replies.map(({ status }) => status).sort()).toEqual([200, 409])
    expect(await seenOf(owner, id)).not.toBeNull()
  })
})
