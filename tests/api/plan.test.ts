import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { toPlanInput } from '#core/visit/planInput'
import { checkPlan } from '#core/planning/checks/check'
import { propose } from '#core/planning/answer/propose'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import { book, bundleOf, prepared } from '../support/visit'

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
    const stood = (await bundleOf(owner, id)).plans.find((p) => p.version === 0)?.steps
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
    const r = await owner(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps } })
    expect(r.status).toBe(422)
    expect(
      (r.body as { fields: { field: string; allowed: string }[] }).fields.some(
        (f) => f.field === 'tip-1' && f.allowed.length > 10,
      ),
    ).toBe(true)
    expect((await bundleOf(owner, id)).plans.find((p) => p.version === 0)?.steps).toEqual(stood)
  })
  it('refuses each of the edits that harm, by its rule', async () => {
    const id = await prepared(owner, 'owner', 'other-24')
    const b = await bundleOf(owner, id)
    const input = toPlanInput(b)
    const steps = propose({
      ...input,
      slotMinutes: 75,
      protocol: [
        { technique: 'tip', minutes: 8 },
        { technique: 'hydratingMask', minutes: 10 },
      ],
    }).steps
    const tip = steps.find((s) => s.technique === 'tip')
    expect(tip).toBeDefined()
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
      ['pass-limit', steps.map((s) => (s.key === tip.key ? { ...s, passes: 3 } : s))],
      ['pair-needling-tip', [...steps, needled]],
      [
        'dwell-late',
        steps.map((s) =>
          ['handsArms', 'shouldersScalp'].includes(s.technique) ? { ...s, minutes: 40 } : s,
        ),
      ],
      ['must-sun', steps.filter((s) => s.technique !== 'sunProtection')],
      ['setting-range', steps.map((s) => (s.key === tip.key ? { ...s, setting: 90 } : s))],
    ]
    for (const [rule, broken] of bad) {
      const r = await owner(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps: broken } })
      expect(r.status, rule).toBe(422)
      expect(
        (r.body as { fields: { given: string }[] }).fields.map((f) => f.given),
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
    const r = await owner(`/api/visits/${id}/plan`, {
      method: 'PUT',
      body: { steps: [...steps.filter((s) => s.key !== tip.key), grain] },
    })
    expect((r.body as { fields: { given: string }[] }).fields.map((f) => f.given)).toContain(
      'vessels-local',
    )
  })
  it('does not start what is not ready, and names what is open', async () => {
    const id = await book(owner, 'owner', 'other-24')
    const r = await owner(`/api/visits/${id}/start`, { method: 'POST' })
    expect(r.status).toBe(422)
    expect((r.body as { fields: { field: string }[] }).fields.map((f) => f.field)).toEqual(
      expect.arrayContaining(['ask', 'plan']),
    )
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
      checkPlan(one, propose(one).steps).findings.filter((f) => f.strength === 'stop'),
    ).toEqual([])
  })
})

describe("a trainee's plan", () => {
  it("starts with a colleague's countersign, which a later change takes away again", async () => {
    const id = await prepared(owner, 'trainee', 'other-27')
    const start = () => trainee(`/api/visits/${id}/start`, { method: 'POST' })
    expect((await start()).status).toBe(422)
    expect((await owner(`/api/visits/${id}/countersign`, { method: 'POST' })).status).toBe(200)
    const steps = (await bundleOf(owner, id)).plans.find((p) => p.version === 0)?.steps ?? []
    expect(
      (
        await trainee(`/api/visits/${id}/plan`, {
          method: 'PUT',
          body: { steps: steps.slice(0, -1) },
        })
      ).status,
    ).toBeLessThan(500)
    await trainee(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps } })
    expect((await start()).status).toBe(422)
    await owner(`/api/visits/${id}/countersign`, { method: 'POST' })
    expect((await start()).status).toBe(200)
    expect((await bundleOf(owner, id)).plans.find((p) => p.version === 1)?.countersignedBy).toBe(
      'Ilse Varga',
    )
  })
})
