import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HousePage } from '#contracts/replies/house'
import type { MethodReply } from '#contracts/replies/method'
import type { OwnKind } from '#core/catalogue/techniques/ownShapes'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES, type OwnWay } from '#core/catalogue/techniques/techniques'
import { freshStep } from '#core/planning/checks/check'
import { addByHand } from '#core/planning/answer/addByHand'
import { propose } from '#core/planning/answer/propose'
import { applyEdits } from '#core/planning/steps/edit'
import { toPlanInput } from '#core/visit/planInput'
import { signedIn, testUrl, type Caller } from '../support/http'
import { asked, bundleOf, seenOf, someone, throughTheRoom } from '../support/visit'

const base = testUrl()
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  therapist = await signedIn(base, 'therapist')
})

const kind = (more: Partial<OwnKind> = {}): OwnKind => ({
  ...{ id: `own-${randomUUID()}`, name: 'Amber dome', from: 'steamer', also: ['covering'] },
  ...{ loadPercent: 120, cleaning: 'Wiped, then dried in the air.' },
  ...more,
})
type Way = Omit<OwnWay, 'device'> & { deviceId?: string }
const way = (more: Partial<Way> = {}): Way => ({
  ...{ id: randomUUID(), name: 'Amber steam', from: 'steam', usual: false, never: ['neck'] },
  ...more,
})
const keepKind = (device: OwnKind, version = 0, retired = false, call = owner) =>
  call('/api/own/kinds', { method: 'PUT', body: { kind: device, version, retired } })
const keepWay = (own: Way, version = 0, retired = false, call = owner) =>
  call('/api/own/ways', { method: 'PUT', body: { way: own, version, retired } })
const ours = async () => ((await owner('/api/method')).body as MethodReply).own
const made: Way[] = []
const kinds: OwnKind[] = []
afterAll(async () => {
  const { ways, kinds: all } = await ours()
  for (const { way: own, version } of ways.filter((line) =>
    made.some(({ id }) => id === line.way.id),
  )) {
    const { device, ...rest } = own
    await keepWay({ ...rest, ...(device ? { deviceId: device.id } : {}) }, version, true)
  }
  for (const { kind: device, version } of all) await keepKind(device, version, true)
})
/** A technique with a device of the practice's own that stands ready in its rooms. */
async function furnished(): Promise<{ own: OwnWay; device: OwnKind }> {
  const device = kind()
  const wanted = way({ deviceId: device.id })
  expect((await keepKind(device)).status).toBe(200)
  expect((await keepWay(wanted)).status).toBe(200)
  made.push(wanted)
  kinds.push(device)
  const body = { id: randomUUID(), kind: device.id, name: 'Dome one', serial: '', ready: true }
  const put = await owner('/api/devices', {
    method: 'PUT',
    body: { ...body, serviceDue: null, roomIds: [] },
  })
  expect(put.status, put.text).toBe(200)
  const { deviceId: _, ...rest } = wanted
  return { own: { ...rest, device }, device }
}
async function save(call: Caller, id: string, steps: readonly PlanStep[]) {
  const seen = await seenOf(call, id)
  return call(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps, seen, protocol: null } })
}
/** The plan of a visit with one more step, in the practice's own way. */
async function withOwn(call: Caller, id: string, own: OwnWay): Promise<PlanStep[]> {
  const input = toPlanInput(await bundleOf(call, id))
  const { steps } = propose(input)
  const others = steps.filter(({ technique }) => technique !== own.from)
  return applyEdits(others, addByHand(input, others, { technique: own.from, own }))
}

describe('techniques and kinds of device of the practice', () => {
  it('are kept by the owner, once at a time, and shown to all', async () => {
    const { own, device } = await furnished()
    const { ways, kinds: all } = await ours()
    expect(ways).toContainEqual({ way: own, version: 1, retired: false })
    expect(all).toContainEqual({ kind: device, version: 1, retired: false })
    const house = (await owner('/api/house')).body as HousePage
    expect(house.ownKinds).toContainEqual({
      ...{ kind: device.id, name: 'Amber dome' },
      retired: false,
    })
    // Changed by two at once: one of them is told.
    const { device: _, ...rest } = own
    const both = await Promise.all([
      keepWay({ ...rest, deviceId: device.id, minutesMost: 8 }, 1),
      keepWay({ ...rest, deviceId: device.id, minutesMost: 6 }, 1),
    ])
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409])
    expect((await keepWay({ ...rest, deviceId: device.id }, 0)).status).toBe(409)
    expect((await keepWay(way(), 0, false, therapist)).status).toBe(403)
    expect((await keepKind(kind(), 0, false, therapist)).status).toBe(403)
    expect(((await therapist('/api/method')).body as MethodReply).own.ways.length).toBeGreaterThan(
      0,
    )
  })

  it('are never looser than what they come from, and say in which field', async () => {
    const fieldOf = async (own: Way) => {
      const { status, body } = await keepWay(own)
      expect(status).toBe(422)
      return (body as { fields: { field: string; allowed: string }[] }).fields[0]
    }
    const most = TECHNIQUES.steam.minutes.most
    expect(await fieldOf(way({ minutesMost: most + 1 }))).toMatchObject({ field: 'minutesMost' })
    expect(await fieldOf(way({ passesMost: 1 }))).toMatchObject({ field: 'passesMost' })
    expect(await fieldOf(way({ from: 'tip', passesMost: 3 }))).toMatchObject({
      field: 'passesMost',
      allowed: '1 to 2 passes, as diamond tip has',
    })
    const stranger = kind({ from: 'lamp' })
    await keepKind(stranger)
    expect(await fieldOf(way({ deviceId: stranger.id }))).toMatchObject({ field: 'device' })
    expect(await fieldOf(way({ deviceId: `own-${randomUUID()}` }))).toMatchObject({
      field: 'deviceId',
    })
    expect((await keepKind(kind({ loadPercent: 50 }))).status).toBe(400)
    expect((await keepKind(kind({ also: ['needling'] as never }))).status).toBe(400)
    // A device is not moved to where no technique of it has a level.
    const dial = kind({ from: 'tipMachine', levels: { least: 8, most: 12, step: 2 } })
    await keepKind(dial)
    const soft = way({ name: 'Soft tip', from: 'tip', deviceId: dial.id })
    expect((await keepWay(soft)).status).toBe(200)
    made.push(soft)
    const beyond = { ...dial, levels: { least: 50, most: 60, step: 2 } }
    expect((await keepKind(beyond, 1)).status).toBe(422)
  })

  it('are planned, treated and sealed as they are named here', async () => {
    const { own } = await furnished()
    const id = await asked(owner, 'owner', await someone(owner, 'Own Ways'))
    const steps = await withOwn(owner, id, own)
    const step = steps.find((other) => other.own)
    expect(step).toMatchObject({ technique: 'steam', own: { name: 'Amber steam' } })
    expect(step?.regions).not.toContain('neck')
    expect((await save(owner, id, steps)).status).toBe(200)
    const start = await owner(`/api/visits/${id}/start`, { method: 'POST', body: {} })
    expect(start.status, start.text).toBe(200)
    // The line that answers is the nearest kind's: it is never spoken to in place of this one.
    const spoken = await owner(`/api/visits/${id}/device`, {
      method: 'POST',
      body: { key: step?.key },
    })
    expect(spoken.status).toBe(422)
    expect(spoken.text).toContain('The Amber dome is not connected')
    await throughTheRoom(owner, id)
    const sealed = await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '' } })
    expect(sealed.status, sealed.text).toBe(200)
    const { record } = await bundleOf(owner, id)
    const lines = JSON.stringify(record)
    expect(lines).toContain('Amber steam (steam, with Amber dome)')
  })

  it('are refused in a plan where this practice never had them, or while its device is elsewhere', async () => {
    const { own, device } = await furnished()
    const id = await asked(owner, 'owner', await someone(owner, 'Own Strange'))
    const strange = { ...own, id: randomUUID() }
    const refused = await save(owner, id, await withOwn(owner, id, strange))
    expect(refused.status).toBe(422)
    expect(refused.text).toContain('does not know')
    // Numbers beyond the technique do not pass either, whatever the plan says of the way.
    const forged = { ...own, minutesMost: 90 }
    const bundle = await bundleOf(owner, id)
    const fresh = freshStep({ technique: 'steam', own: forged }, toPlanInput(bundle))
    expect(fresh?.minutes).toBeLessThanOrEqual(TECHNIQUES.steam.minutes.most)
    // The other room has the dome at the same time.
    const mine = await withOwn(owner, id, own)
    expect((await save(owner, id, mine)).status).toBe(200)
    const other = await asked(therapist, 'therapist', await someone(therapist, 'Own Elsewhere'))
    const { visit } = await bundleOf(therapist, other)
    const { startsAt } = (await bundleOf(owner, id)).visit
    const rooms = ((await owner('/api/house')).body as HousePage).rooms
    const there = bundle.room.id
    const elsewhere = rooms.find((room) => room.id !== there && !room.closed)
    const moved = await therapist(`/api/visits/${other}`, {
      method: 'PATCH',
      body: {
        version: visit.version,
        startsAt: new Date(startsAt).toISOString(),
        roomId: elsewhere?.id,
      },
    })
    expect(moved.status, moved.text).toBe(200)
    expect((await bundleOf(therapist, other)).inUse).toContainEqual(
      expect.objectContaining({ kind: device.id, name: 'Amber dome' }),
    )
    const taken = await save(therapist, other, mine)
    expect(taken.status).toBe(422)
    expect(taken.text).toMatch(/The Amber dome is in use in/)
  })

  it('are no longer offered once they are put away; plans with them stand', async () => {
    const { own, device } = await furnished()
    const id = await asked(owner, 'owner', await someone(owner, 'Own Away'))
    const steps = await withOwn(owner, id, own)
    expect((await save(owner, id, steps)).status).toBe(200)
    expect((await bundleOf(owner, id)).ways.some((one) => one.id === own.id)).toBe(true)
    expect((await keepKind(device, 1, true)).status).toBe(200)
    const after = await bundleOf(owner, id)
    expect(after.ways.some((one) => one.id === own.id)).toBe(false)
    expect(after.plans[0]?.steps.some((step) => step.own?.id === own.id)).toBe(true)
    expect((await save(owner, id, steps)).status).toBe(200)
  })
})
