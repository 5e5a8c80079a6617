import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it, onTestFinished } from 'vitest'
import { toPlanInput } from '#core/visit/planInput'
import { checkPlan } from '#core/planning/checks/check'
import { propose } from '#core/planning/answer/propose'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, countersigned, prepared, seenOf } from '../support/visit'

const base = testUrl()
const today = new Date().toISOString().slice(0, 10)
let owner: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  trainee = await signedIn(base, 'trainee')
})

describe('the server checks what it saves with the same core', () => {
  it('refuses a plan that breaks a locked rule, with the rule, and keeps what stood', async () => {
    const id = await prepared(owner, 'owner', 'other-24')
    const stood = (await bundleOf(owner, id)).plans.find((plan) => plan.version === 0)?.steps
    expect(
      (
        await owner(`/api/visits/${id}/answers`, {
          method: 'PUT',
          body: {
            id: randomUUID(),
            answers: { ...allNo(), isotretinoin: { say: 'yes', date: today } },
            medicines: '',
          },
        })
      ).status,
    ).toBe(200)
    const steps = [
      { key: 'tip-1', technique: 'tip', regions: ['cheekL'], minutes: 8, passes: 1, why: [] },
    ]
    const reply = await owner(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps } })
    expect(reply.status).toBe(422)
    expect(
      (reply.body as { fields: { field: string; allowed: string }[] }).fields.some(
        (field) => field.field === 'tip-1' && field.allowed.length > 10,
      ),
    ).toBe(true)
    expect((await bundleOf(owner, id)).plans.find((plan) => plan.version === 0)?.steps).toEqual(
      stood,
    )
  })
  it('refuses each of the edits that harm, by its rule', async () => {
    // A house of trained hands, which lets a first visit have what the skin reads.
    const decide = (camps: object) =>
      owner('/api/policy', {
        method: 'PUT',
        body: { id: randomUUID(), policy: { camps, without: [] }, reason: 'trained hands' },
      })
    expect((await decide({ firstVisit: 'asRead' })).status).toBe(200)
    onTestFinished(async () => void (await decide({})))
    const id = await prepared(owner, 'owner', 'other-24')
    const bundle = await bundleOf(owner, id)
    const input = toPlanInput(bundle)
    const plan = propose({
      ...input,
      slotMinutes: 75,
      protocol: [
        { technique: 'tip', minutes: 8 },
        { technique: 'hydratingMask', minutes: 10 },
      ],
    })
    const { steps } = plan
    const tip = steps.find((step) => step.technique === 'tip')
    const without = JSON.stringify([input.today, plan.failed, input.verdict.bars, input.past])
    expect(tip, without).toBeDefined()
    if (!tip) return
    const needling = {
      ...tip,
      key: 'needling-1',
      technique: 'needling' as const,
      minutes: 10,
      setting: 0.15,
      productId: 'needle-plain',
    }
    const { passes: _, ...needled } = needling
    const bad: [string, object[]][] = [
      ['pass-limit', steps.map((step) => (step.key === tip.key ? { ...step, passes: 3 } : step))],
      ['pair-needling-tip', [...steps, needled]],
      [
        'dwell-late',
        steps.map((step) =>
          ['handsArms', 'shouldersScalp'].includes(step.technique)
            ? { ...step, minutes: 40 }
            : step,
        ),
      ],
      ['must-sun', steps.filter((step) => step.technique !== 'sunProtection')],
      [
        'setting-range',
        steps.map((step) => (step.key === tip.key ? { ...step, setting: 90 } : step)),
      ],
    ]
    for (const [rule, broken] of bad) {
      const reply = await owner(`/api/visits/${id}/plan`, {
        method: 'PUT',
        body: { steps: broken },
      })
      expect(reply.status, rule).toBe(422)
      expect(
        (reply.body as { fields: { given: string }[] }).fields.map((field) => field.given),
        rule,
      ).toContain(rule)
    }
    const vessels = { ...allNo(), visibleVessels: { say: 'yes', zones: ['cheekL', 'cheekR'] } }
    expect(
      (
        await owner(`/api/visits/${id}/answers`, {
          method: 'PUT',
          body: { id: randomUUID(), answers: vessels, medicines: '' },
        })
      ).status,
    ).toBe(200)
    const grain = {
      key: 'grain-1',
      technique: 'grain',
      minutes: 1,
      regions: ['cheekL'],
      productId: 'grain-rice',
      why: [],
    }
    const ownReply = await owner(`/api/visits/${id}/plan`, {
      method: 'PUT',
      body: { steps: [...steps.filter((step) => step.key !== tip.key), grain] },
    })
    expect(
      (ownReply.body as { fields: { given: string }[] }).fields.map((field) => field.given),
    ).toContain('vessels-local')
  })
  it('takes a step on one half, and none that is on one half and on the other', async () => {
    const id = await prepared(owner, 'owner', 'other-24')
    const { plans } = await bundleOf(owner, id)
    const steps = plans.find(({ version }) => version === 0)?.steps ?? []
    const put = async (half: string, regions: readonly string[], on = 'moisturiser') =>
      owner(`/api/visits/${id}/plan`, {
        method: 'PUT',
        body: {
          seen: await seenOf(owner, id),
          steps: steps.map((step) => (step.technique === on ? { ...step, half, regions } : step)),
        },
      })
    expect((await put('L', ['nose', 'cheekR'])).status).toBe(400)
    expect((await put('middle', ['nose'])).status).toBe(400)
    expect((await put('L', ['nose', 'cheekL'])).status).toBe(200)
    // Sun protection on one half alone leaves the other bare.
    const bare = await put('L', ['nose', 'cheekL'], 'sunProtection')
    expect(bare.status).toBe(422)
    expect(bare.text).toContain('sun-covers')
  })
  it('does not start what is not ready, and names what is open', async () => {
    const id = await book(owner, 'owner', 'other-24')
    const reply = await owner(`/api/visits/${id}/start`, { method: 'POST' })
    expect(reply.status).toBe(422)
    expect(
      (reply.body as { fields: { field: string }[] }).fields.map((field) => field.field),
    ).toEqual(expect.arrayContaining(['ask', 'plan']))
  })
  it('gives the same proposal from the stored bundle as from the same bundle read again', async () => {
    const id = await book(owner, 'owner', 'other-24')
    await owner(`/api/visits/${id}/answers`, {
      method: 'PUT',
      body: { id: randomUUID(), answers: allNo(), medicines: '' },
    })
    await owner(`/api/visits/${id}/readings`, {
      method: 'POST',
      body: { id: randomUUID(), phase: 'madeUp', zones: readAll(RESILIENT) },
    })
    const [one, two] = [
      toPlanInput(await bundleOf(owner, id)),
      toPlanInput(await bundleOf(owner, id)),
    ]
    expect(propose(one)).toEqual(propose(two))
    expect(
      checkPlan(one, propose(one).steps).findings.filter((finding) => finding.strength === 'stop'),
    ).toEqual([])
  })
})

describe("a trainee's plan", () => {
  it("starts with a colleague's countersign, which a later change takes away again", async () => {
    const id = await prepared(owner, 'trainee', 'other-27')
    const start = () => trainee(`/api/visits/${id}/start`, { method: 'POST' })
    expect((await start()).status).toBe(422)
    expect((await countersigned(owner, id)).status).toBe(200)
    const steps = (await bundleOf(owner, id)).plans.find((plan) => plan.version === 0)?.steps ?? []
    expect(
      (
        await trainee(`/api/visits/${id}/plan`, {
          method: 'PUT',
          body: { steps: steps.slice(0, -1) },
        })
      ).status,
    ).toBeLessThan(500)
    const longer = steps.map((step, at) =>
      at === 0 ? { ...step, minutes: step.minutes + 0.5 } : step,
    )
    const body = { steps: longer, seen: await seenOf(trainee, id) }
    expect((await trainee(`/api/visits/${id}/plan`, { method: 'PUT', body })).status).toBe(200)
    expect((await start()).status).toBe(422)
    await countersigned(owner, id)
    expect((await start()).status).toBe(200)
    expect(
      (await bundleOf(owner, id)).plans.find((plan) => plan.version === 1)?.countersignedBy,
    ).toBe('Ilse Varga')
  })
})
