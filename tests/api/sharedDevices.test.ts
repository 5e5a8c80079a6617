import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Place } from '#contracts/replies/house'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { propose } from '#core/planning/answer/propose'
import { toPlanInput } from '#core/visit/planInput'
import { demoId } from '#db/demo/ids'
import { signedIn, testUrl, type Caller } from '../support/http'
import { asked, bundleOf, seenOf, someone } from '../support/visit'

const base = testUrl()
const STOVE = demoId('room-stove')
const MINUTE = 60_000
let owner: Caller
let colleague: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  colleague = await signedIn(base, 'therapist')
})

/** Two visits at the same moment, one in each room, both asked and read; the house has one steamer. */
async function sideBySide(): Promise<[string, string]> {
  const one = await asked(owner, 'owner', await someone(owner, 'Lake Steam'))
  const other = await asked(colleague, 'therapist', await someone(colleague, 'Stove Steam'))
  const { startsAt } = (await bundleOf(owner, one)).visit
  const { version } = (await bundleOf(colleague, other)).visit
  const moved = await move(colleague, other, version, startsAt, STOVE)
  expect(moved.status, moved.text).toBe(200)
  return [one, other]
}
const move = (call: Caller, id: string, version: number, startsAt: number, roomId?: string) =>
  call(`/api/visits/${id}`, {
    method: 'PATCH',
    body: { version, startsAt: new Date(startsAt).toISOString(), ...(roomId ? { roomId } : {}) },
  })
/** A plan with steam in it, as if no other room had the steamer. */
async function withSteam(call: Caller, id: string): Promise<readonly PlanStep[]> {
  const input = toPlanInput(await bundleOf(call, id))
  const { steps } = propose({ ...input, inUse: [], wanted: ['steam'] })
  expect(usesSteam(steps)).toBe(true)
  return steps
}
const usesSteam = (steps: readonly PlanStep[]) =>
  steps.some(({ technique }) => TECHNIQUES[technique].device === 'steamer')
async function save(call: Caller, id: string, steps: readonly PlanStep[]) {
  const seen = await seenOf(call, id)
  return call(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps, seen, protocol: null } })
}

describe('one steamer and two rooms', () => {
  it('is planned for whoever plans first; the other hears who has it, and plans without it', async () => {
    const [one, other] = await sideBySide()
    const plan = await withSteam(owner, one)
    expect((await save(owner, one, plan)).status).toBe(200)
    const bundle = await bundleOf(colleague, other)
    expect(bundle.inUse.some(({ kind }) => kind === 'steamer')).toBe(true)
    const refused = await save(colleague, other, await withSteam(colleague, other))
    expect(refused.status).toBe(422)
    expect(refused.text).toMatch(/steamer is in use in Lake room from \d\d:\d\d to \d\d:\d\d/)
    expect(refused.text).not.toContain('Lake Steam')
    const { steps } = propose(toPlanInput(bundle))
    expect(usesSteam(steps)).toBe(false)
    expect((await save(colleague, other, steps)).status).toBe(200)
    // One's own plan is never in one's own way.
    expect((await save(owner, one, plan)).status).toBe(200)
  })
  it('is planned once, however many plan at the same moment', async () => {
    const [one, other] = await sideBySide()
    const mine = await withSteam(owner, one)
    const theirs = await withSteam(colleague, other)
    const both = await Promise.all([save(owner, one, mine), save(colleague, other, theirs)])
    expect(both.map(({ status }) => status).sort()).toEqual([200, 422])
  })
  it('keeps a planned visit from being moved to where it is in use, and says from when on it is free', async () => {
    const [one, other] = await sideBySide()
    expect((await save(owner, one, await withSteam(owner, one))).status).toBe(200)
    const { visit } = await bundleOf(owner, one)
    const { version } = (await bundleOf(colleague, other)).visit
    // Another day: planned there with steam, then wanted back beside the first.
    const dayLater = visit.startsAt + 24 * 60 * MINUTE
    expect((await move(colleague, other, version, dayLater)).status).toBe(200)
    expect((await save(colleague, other, await withSteam(colleague, other))).status).toBe(200)
    const now = (await bundleOf(colleague, other)).visit
    const back = await move(colleague, other, now.version, visit.startsAt)
    expect(back.status).toBe(409)
    expect(back.text).toMatch(/steamer is in use in Lake room/)
    expect(back.text).toMatch(/Free for its plan from \d\d:\d\d on/)
    // What is offered for that day is where the plan has its steamer, and is taken.
    const day = new Intl.DateTimeFormat('en-CA', {
      timeZone: (await bundleOf(owner, one)).practice.timeZone,
    }).format(visit.startsAt)
    const query = new URLSearchParams({
      from: day,
      days: '1',
      minutes: String(now.minutes),
      staffId: (await bundleOf(colleague, other)).staff.id,
      roomId: STOVE,
      visitId: other,
    })
    const places = (await colleague(`/api/places?${query}`)).body as Place[]
    expect(places.some(({ startsAt }) => startsAt === visit.startsAt)).toBe(false)
    for (const place of places.filter(
      ({ startsAt }) => Math.abs(startsAt - visit.startsAt) <= 30 * MINUTE,
    )) {
      const { version: seen } = (await bundleOf(colleague, other)).visit
      const taken = await move(colleague, other, seen, place.startsAt)
      expect(taken.status, taken.text).toBe(200)
    }
  })
  it('is free again once the other visit is cancelled', async () => {
    const [one, other] = await sideBySide()
    expect((await save(owner, one, await withSteam(owner, one))).status).toBe(200)
    const { version } = (await bundleOf(owner, one)).visit
    const off = await owner(`/api/visits/${one}`, {
      method: 'PATCH',
      body: { version, fellAway: { as: 'calledOff', because: `steam ${randomUUID()}` } },
    })
    expect(off.status, off.text).toBe(200)
    expect((await save(colleague, other, await withSteam(colleague, other))).status).toBe(200)
  })
})
