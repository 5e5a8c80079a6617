import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { propose } from '#core/planning/answer/propose'
import { toPlanInput } from '#core/visit/planInput'
import { signedIn, testUrl, type Caller } from '../support/http'
import {
  bundleOf,
  prepared,
  sealedVisit,
  someone,
  tap,
  treating,
  byTheWall,
} from '../support/visit'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const wear = async (id: string, makeUp: unknown) => {
  const { version } = (await bundleOf(owner, id)).visit
  return owner(`/api/visits/${id}`, { method: 'PATCH', body: { version, makeUp } })
}
const planned = async (id: string) => propose(toPlanInput(await bundleOf(owner, id))).steps
const cleanses = async (id: string) =>
  (await planned(id)).filter(({ technique }) =>
    ['surfaceCleanse', 'deepCleanse'].includes(TECHNIQUES[technique].stage),
  ).length

describe('what the client wears', () => {
  it('is told in Ask, kept once each, and changes the next plan', async () => {
    const id = await prepared(owner, 'owner', await someone(owner, 'Comes Painted'))
    expect((await bundleOf(owner, id)).visit.makeUp).toEqual(['light'])
    const before = await cleanses(id)
    const told: MakeUpId[] = ['waterproof', 'layered', 'light', 'waterproof']
    expect((await wear(id, told)).status).toBe(200)
    expect((await bundleOf(owner, id)).visit.makeUp).toEqual(['layered', 'waterproof'])
    expect(await cleanses(id)).toBeGreaterThan(before)
    const eyes = (await planned(id)).find(({ technique }) => technique === 'eyesOff')
    expect(eyes?.minutes).toBe(4)
    expect((await wear(id, [])).status).toBe(200)
    expect((await planned(id)).some(({ technique }) => technique === 'eyesOff')).toBe(false)
  })
  it('in a word that nobody knows is refused and named, and what was kept stays', async () => {
    const id = await prepared(owner, 'owner', await someone(owner, 'Comes Bare'))
    await wear(id, ['sunCream'])
    for (const wrong of [['glitter'], 'light', [null], Array(9).fill('light'), true]) {
      const reply = await wear(id, wrong)
      expect(reply.status, JSON.stringify(wrong)).toBe(400)
      expect(reply.text).toContain('makeUp')
    }
    expect((await bundleOf(owner, id)).visit.makeUp).toEqual(['sunCream'])
  })
  it('is asked anew for the next visit that is set; last time is known with its pads', async () => {
    const sealed = await sealedVisit(owner, 'owner', await someone(owner, 'Comes Thrice'))
    const reply = await owner(`/api/visits/${sealed}`, {
      method: 'PATCH',
      body: {
        version: (await bundleOf(owner, sealed)).visit.version,
        nextVisitAt: byTheWall('2033-03-09', '11:00'),
      },
    })
    expect(reply.status, reply.text).toBe(200)
    const next = (await bundleOf(owner, sealed)).nextBooked
    expect(next).toBeDefined()
    const after = await bundleOf(owner, next?.id ?? '')
    // Nothing is chosen for anybody.
    expect(after.visit).toMatchObject({ makeUp: null, aims: [], named: [] })
    const { record, visit } = await bundleOf(owner, sealed)
    expect(record.find(({ name }) => name === 'consultation')?.content).toMatchObject({
      worn: visit.makeUp,
    })
    expect(after.lastTime?.makeUp).toEqual(visit.makeUp)
  })
  it('a side that is timed is kept as a tap, and a third side is none', async () => {
    const id = await treating(owner, 'owner', await someone(owner, 'Half And Half'))
    const { plans } = await bundleOf(owner, id)
    const key = plans.find(({ version }) => version === 1)?.steps[0]?.key ?? ''
    const send = (body: unknown) =>
      owner(`/api/visits/${id}/events`, { method: 'POST', body: { events: [body] } })
    const side = tap({ kind: 'side', key, side: 'L' })
    expect((await send(side)).status).toBe(200)
    expect(
      (await send({ ...side, id: randomUUID(), body: { ...side.body, side: 'M' } })).status,
    ).toBe(400)
    const { events } = await bundleOf(owner, id)
    expect(events.filter(({ body }) => body.kind === 'side')).toHaveLength(1)
  })
})

describe('a bottle whose colour turns', () => {
  it('keeps the change its maker states, and gives it up again', async () => {
    const shelf = async () =>
      (
        (await owner('/api/shelf')).body as {
          items: { product: { id: string }; version: number }[]
        }
      ).items
    const id = randomUUID()
    const box = {
      ...{ id, name: 'Turning Gel', line: '', kind: 'gelCleanser', label: 'Aqua', acid: null },
      ...{ pH: null, density: 1, dispenser: { kind: 'pump', millilitres: 1 }, suits: ['all'] },
      ...{ calming: false, packMillilitres: 100, priceCents: 0, openMonths: 6 },
    }
    const post = await owner('/api/products', {
      method: 'POST',
      body: { ...box, colourChange: 'blue to clear' },
    })
    expect(post.status, post.text).toBe(200)
    const kept = async () => (await shelf()).find(({ product }) => product.id === id)
    expect((await kept())?.product).toMatchObject({ colourChange: 'blue to clear' })
    const long = { ...box, id: randomUUID(), colourChange: 'x'.repeat(61) }
    expect((await owner('/api/products', { method: 'POST', body: long })).status).toBe(400)
    const version = (await kept())?.version ?? 1
    const put = { ...box, retired: false, version, colourChange: null }
    expect((await owner('/api/products', { method: 'PUT', body: put })).status).toBe(200)
    expect((await kept())?.product).not.toHaveProperty('colourChange')
  })
})
