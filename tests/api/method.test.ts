import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { MethodReply } from '#contracts/replies/method'
import { toPlanInput } from '#core/visit/planInput'
import { propose } from '#core/planning/answer/propose'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, prepared, sealedVisit, seenOf, someone } from '../support/visit'

const base = testUrl()
let owner: Caller
let therapist: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  therapist = await signedIn(base, 'therapist')
  trainee = await signedIn(base, 'trainee')
})
const method = async (call = owner) => (await call('/api/method')).body as MethodReply
const decide = (policy: object, reason = 'tried for a season', call = owner) =>
  call('/api/policy', { method: 'PUT', body: { id: randomUUID(), policy, reason } })
afterAll(async () => {
  await decide({ camps: {}, without: [] }, 'back to the school')
})
const STEPS = [
  { technique: 'secondCleanse', minutes: 2 },
  { technique: 'enzyme', minutes: 5 },
  { technique: 'hydratingMask', minutes: 10 },
]

describe('what the house decides', () => {
  it("is the owner's, stays in the record with its reason, and is worked with from then on", async () => {
    expect(
      (await decide({ camps: { steam: 'seldom' }, without: ['steam', 'warmTowel'] })).status,
    ).toBe(200)
    const methodReply = await method()
    expect(methodReply.policy).toEqual({
      camps: { steam: 'seldom' },
      without: ['steam', 'warmTowel'],
    })
    expect(methodReply.history[0]).toMatchObject({ by: 'Ilse Varga', reason: 'tried for a season' })
    const id = await prepared(owner, 'owner', 'other-28')
    const bundle = await bundleOf(owner, id)
    const steps = propose(toPlanInput(bundle)).steps
    expect(steps.some((step) => step.technique === 'steam' || step.technique === 'warmTowel')).toBe(
      false,
    )
    const reply = await owner(`/api/visits/${id}/plan`, {
      method: 'PUT',
      body: {
        steps: [
          {
            key: 'steam-1',
            technique: 'steam',
            minutes: 5,
            setting: 40,
            regions: ['forehead'],
            why: [],
          },
          ...steps,
        ],
      },
    })
    expect(reply.status).toBe(422)
    expect(
      (reply.body as { fields: { given: string }[] }).fields.map((field) => field.given),
    ).toContain('house-without')
  })
  it('is refused to others, and where it names what there is not', async () => {
    expect((await decide({ camps: {}, without: [] }, 'x', therapist)).status).toBe(403)
    for (const bad of [
      { camps: { steam: 'hourly' }, without: [] },
      { camps: { weather: 'fine' }, without: [] },
      { camps: {}, without: ['maskOff'] },
      { camps: {}, without: ['steam', 'steam'] },
    ])
      expect((await decide(bad)).status, JSON.stringify(bad)).toBe(400)
    expect((await decide({ camps: {}, without: [] }, ' ')).status).toBe(400)
    expect((await method(trainee)).mayDecide).toBe(false)
  })
})

describe('protocols of the house', () => {
  const id = randomUUID()
  it('are kept in versions; two who keep the same number: one is told', async () => {
    expect(
      (
        await therapist('/api/protocols', {
          method: 'POST',
          body: { id, name: 'Winter hour', note: 'dry air', steps: STEPS },
        })
      ).status,
    ).toBe(200)
    const next = (version: number, note: string) =>
      owner(`/api/protocols/${id}/versions`, {
        method: 'POST',
        body: { version, note, steps: STEPS.slice(0, 2) },
      })
    expect((await next(2, 'without the mask')).status).toBe(200)
    expect((await next(2, 'again')).status).toBe(409)
    const own = (await method()).protocols.find((protocol) => protocol.id === id)
    expect(own?.versions.map((version) => [version.version, version.note, version.by])).toEqual([
      [2, 'without the mask', 'Ilse Varga'],
      [1, 'dry air', 'Tomas Rehn'],
    ])
    expect(own?.versions[1]?.steps).toEqual(STEPS)
  })
  it('are refused where they hold nothing, the same twice, or what follows from others', async () => {
    const keep = (steps: object[], call = owner) =>
      call('/api/protocols', {
        method: 'POST',
        body: { id: randomUUID(), name: 'x', note: '', steps },
      })
    for (const bad of [
      [],
      [STEPS[0], STEPS[0]],
      [{ technique: 'maskOff', minutes: 2 }],
      [{ technique: 'enzyme', minutes: 0.3 }],
    ])
      expect((await keep(bad as object[])).status).toBe(400)
    expect((await keep(STEPS, trainee)).status).toBe(403)
    expect(
      (
        await owner(`/api/protocols/${randomUUID()}/versions`, {
          method: 'POST',
          body: { version: 2, note: '', steps: STEPS },
        })
      ).status,
    ).toBe(404)
  })
  it('go in pairs, a full one and one express of it, and no more', async () => {
    const full = randomUUID()
    const keep = (more: object, call = owner) =>
      call('/api/protocols', {
        method: 'POST',
        body: { id: randomUUID(), name: 'Lake facial', note: '', steps: STEPS, ...more },
      })
    expect((await keep({ id: full })).status).toBe(200)
    const short = { name: 'Lake facial, express', expressOf: full, steps: STEPS.slice(0, 1) }
    // Two save it at the same moment: one of them is told.
    const both = await Promise.all([keep(short), keep(short, therapist)])
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
    expect((await keep(short)).status).toBe(409)
    const pairs = async () =>
      (await bundleOf(owner, await book(owner, 'owner', 'other-27'))).protocols.filter(
        ({ id: own, expressOf }) => own === full || expressOf === full,
      )
    const [express] = (await pairs()).filter(({ expressOf }) => expressOf === full)
    expect(express).toMatchObject({ name: 'Lake facial, express', steps: STEPS.slice(0, 1) })
    // An express one has none of its own, and nothing goes with what is not there.
    expect((await keep({ expressOf: express?.id })).status).toBe(422)
    expect((await keep({ expressOf: randomUUID() })).status).toBe(422)
    // Without its full one it is not offered.
    await owner(`/api/protocols/${full}/retire`, { method: 'POST', body: {} })
    expect(await pairs()).toEqual([])
    expect((await keep(short)).status).toBe(422)
  })
  it('are remembered by the plan with their version, also once they are no longer offered', async () => {
    const visit = await prepared(owner, 'owner', 'other-29')
    const bundle = await bundleOf(owner, visit)
    const offered = bundle.protocols.find((protocol) => protocol.id === id)
    expect(offered?.version).toBe(2)
    const steps = propose({ ...toPlanInput(bundle), protocol: offered?.steps ?? [] }).steps
    expect(
      (
        await owner(`/api/visits/${visit}/plan`, {
          method: 'PUT',
          body: { steps, protocol: { id, version: 2 }, seen: await seenOf(owner, visit) },
        })
      ).status,
    ).toBe(200)
    expect((await owner(`/api/visits/${visit}/start`, { method: 'POST' })).status).toBe(200)
    expect((await owner(`/api/protocols/${id}/retire`, { method: 'POST', body: {} })).status).toBe(
      200,
    )
    expect((await owner(`/api/protocols/${id}/retire`, { method: 'POST', body: {} })).status).toBe(
      404,
    )
    const after = await bundleOf(owner, visit)
    expect(after.plans.map((plan) => plan.protocol)).toEqual([
      { id, version: 2 },
      { id, version: 2 },
    ])
    expect(after.protocols.some((protocol) => protocol.id === id)).toBe(false)
  })
})

describe('the visit before', () => {
  it("stands beside today's plan as it was planned last", async () => {
    const client = await someone(owner, 'Planned Before')
    const sealed = await sealedVisit(owner, 'owner', client)
    const was = (await bundleOf(owner, sealed)).plans.at(-1)?.steps
    const bundle = await bundleOf(owner, await book(owner, 'owner', client))
    expect(bundle.previousPlan?.steps).toEqual(was)
  })
})
