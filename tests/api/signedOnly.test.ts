import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { allNo } from '#core/testing/fixtures'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, byTheWall, countersigned, prepared, someone } from '../support/visit'

const base = testUrl()
let owner: Caller
let trainee: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  trainee = await signedIn(base, 'trainee')
})
const draft = async (id: string) =>
  (await bundleOf(owner, id)).plans.find(({ version }) => version === 0)
async function patch(id: string, body: object) {
  const { version } = (await bundleOf(owner, id)).visit
  const reply = await owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, ...body } })
  expect(reply.status, reply.text).toBe(200)
}
async function signed(name: string) {
  const id = await prepared(owner, 'trainee', await someone(owner, name))
  expect((await countersigned(owner, id)).status).toBe(200)
  expect((await draft(id))?.countersignedBy).toBe('Ilse Varga')
  return id
}

describe('a countersignature falls only for what was signed', () => {
  it('stays through lateness, a next visit, the same answers again and comfort', async () => {
    const id = await signed('Stays Signed')
    await patch(id, { lateMinutes: 0 })
    await patch(id, { lateMinutes: 10 })
    await patch(id, { nextVisitAt: byTheWall('2034-03-02', '11:00') })
    await patch(id, { aims: ['dehydration', 'rest'] })
    const same = { id: randomUUID(), answers: allNo(), medicines: '' }
    await trainee(`/api/visits/${id}/answers`, { method: 'PUT', body: same })
    const preferences = { talk: 'quiet' }
    await trainee(`/api/visits/${id}/preferences`, { method: 'PUT', body: { preferences } })
    expect((await draft(id))?.countersignedBy).toBe('Ilse Varga')
  })
  it('falls with the plan, the people and the answers, and says who had signed and what changed', async () => {
    const plan = await signed('Plan Changes')
    const steps = (await draft(plan))?.steps ?? []
    const other = steps.map((step, i) => (i === 0 ? { ...step, minutes: 3 } : step))
    const { plans } = await bundleOf(owner, plan)
    expect(plans.length).toBeGreaterThan(0)
    await patch(plan, { aims: ['redness'] })
    expect(await draft(plan)).toMatchObject({
      countersignedBy: null,
      unsigned: { by: 'Ilse Varga', because: expect.stringContaining('what the client wants') },
    })
    expect(other).not.toEqual(steps)
    const told = await signed('Answer Changes')
    const yes = { id: randomUUID(), answers: allNo({ lenses: { say: 'yes' } }), medicines: '' }
    await trainee(`/api/visits/${told}/answers`, { method: 'PUT', body: yes })
    expect(await draft(told)).toMatchObject({
      countersignedBy: null,
      unsigned: { by: 'Ilse Varga', because: 'answers were changed' },
    })
    const at = (await draft(told))?.unsigned?.at ?? 0
    expect(Math.abs(Date.now() - at)).toBeLessThan(600_000)
  })
})
