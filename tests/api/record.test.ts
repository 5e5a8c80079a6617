import type { AuditPage } from '#contracts/replies/audit'
import { randomUUID } from 'node:crypto'
import ICAL from 'ical.js'
import { beforeAll, describe, expect, it } from 'vitest'
import { verify } from '#core/record/seal'
import type { VisitDocument } from '#contracts/exchange'
import { demoId } from '#db/demo/ids'
import { walkedChain } from '../support/chain'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, sealedVisit, tap, throughTheRoom, treating, byTheWall } from '../support/visit'

const base = testUrl()
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const audit = async () => (await owner('/api/audit?what=visit')).body as AuditPage

interface Kept {
  kept: { id: string; at: number }[]
  now: number
}

describe('a visit, from the start to the seal', () => {
  let id: string
  beforeAll(async () => {
    id = await treating(owner, 'owner', 'other-14')
  })
  it('has frozen its first version', async () => {
    expect((await bundleOf(owner, id)).plans.map((plan) => plan.version)).toEqual([0, 1])
    expect(
      (await owner(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps: [] } })).status,
    ).toBe(422)
  })
  it('is not sealed before it is finished', async () => {
    expect(
      (await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '' } })).status,
    ).toBe(422)
  })
  it('keeps each tap once, however often and in whatever company it is sent', async () => {
    const one = tap({ kind: 'note', text: 'Asked for less steam.' })
    const two = tap({ kind: 'held' })
    const first = await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: { events: [one] },
    })
    expect((first.body as Kept).kept.map((own) => own.id)).toEqual([one.id])
    const again = await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: { events: [two, one] },
    })
    expect((again.body as Kept).kept.map((own) => own.id).sort()).toEqual([one.id, two.id].sort())
    const { events } = (await owner(`/api/visits/${id}/events`)).body as {
      events: { id: string }[]
    }
    expect(events.filter((event) => event.id === one.id)).toHaveLength(1)
    expect(events.filter((event) => event.id === two.id)).toHaveLength(1)
  })
  it('puts a clock that is an hour off right, and tells the tablet the time', async () => {
    const hour = 3_600_000
    for (const off of [hour, -hour]) {
      const now = Date.now()
      const early = tap({ kind: 'note', text: 'ten minutes ago' }, now + off - 600_000)
      const reply = await owner(`/api/visits/${id}/events`, {
        method: 'POST',
        body: { sentAt: now + off, events: [early] },
      })
      const { kept, now: house } = reply.body as Kept
      expect(Math.abs((kept[0]?.at ?? 0) - (now - 600_000))).toBeLessThan(30_000)
      expect(Math.abs(house - now)).toBeLessThan(30_000)
    }
  })
  it('refuses a tap that is still to come', async () => {
    const ahead = tap({ kind: 'note', text: 'tomorrow' }, Date.now() + 86_400_000)
    const reply = await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: { events: [ahead] },
    })
    expect(reply.status).toBe(422)
  })
  it('does not acknowledge a tap whose id stands under another visit', async () => {
    const other = await treating(owner, 'owner', 'other-15')
    const one = tap({ kind: 'held' })
    await owner(`/api/visits/${id}/events`, { method: 'POST', body: { events: [one] } })
    expect(
      (await owner(`/api/visits/${other}/events`, { method: 'POST', body: { events: [one] } }))
        .body,
    ).toMatchObject({ kept: [] })
  })
  it('is sealed, and twice is the same seal', async () => {
    await throughTheRoom(owner, id)
    const before = (await walkedChain(owner)).seals
    for (let i = 0; i < 2; i++)
      expect(
        (
          await owner(`/api/visits/${id}/seal`, {
            method: 'POST',
            body: { text: 'Calm throughout.' },
          })
        ).status,
      ).toBe(200)
    const chain = await walkedChain(owner)
    expect(chain.seals).toBe(before + 1)
    expect(chain.broken).toBeNull()
  })
  it('takes no tap and no edit afterwards', async () => {
    expect(
      (
        await owner(`/api/visits/${id}/events`, {
          method: 'POST',
          body: { events: [tap({ kind: 'held' })] },
        })
      ).status,
    ).toBe(422)
    expect(
      (
        await owner(`/api/visits/${id}/record`, {
          method: 'PUT',
          body: { text: 'other', version: 1 },
        })
      ).status,
    ).toBe(422)
    expect(
      (
        await owner(`/api/visits/${id}/answers`, {
          method: 'PUT',
          body: { id: randomUUID(), answers: {}, medicines: '' },
        })
      ).status,
    ).toBe(422)
  })
  it('has a record of planned against actual, with every note', async () => {
    const bundle = await bundleOf(owner, id)
    const treatment = bundle.record.find((part) => part.name === 'treatment')?.content as {
      lines: { actualMinutes: number | null }[]
      notes: { text: string }[]
    }
    const v1 = bundle.plans.find((plan) => plan.version === 1)?.steps ?? []
    expect(treatment.lines).toHaveLength(v1.length)
    expect(treatment.lines.every((line) => line.actualMinutes !== null)).toBe(true)
    expect(treatment.notes.map((note) => note.text)).toContain('Asked for less steam.')
    expect(bundle.record.find((part) => part.name === 'notes')?.content).toBe('Calm throughout.')
  })
  it('is amended in the open: what stood there stays', async () => {
    const body = {
      id: randomUUID(),
      after: 'Calm throughout; cheeks pink for two minutes.',
      reason: 'forgotten',
    }
    for (let i = 0; i < 2; i++)
      expect((await owner(`/api/visits/${id}/amendments`, { method: 'POST', body })).status).toBe(
        200,
      )
    const bundle = await bundleOf(owner, id)
    expect(bundle.amendments).toHaveLength(1)
    expect(bundle.amendments[0]).toMatchObject({
      before: 'Calm throughout.',
      after: body.after,
      reason: 'forgotten',
      by: 'Ilse Varga',
    })
    expect(bundle.record.find((part) => part.name === 'notes')?.content).toBe('Calm throughout.')
  })
  it('leaves an audit line for each look, print and export', async () => {
    await owner(`/api/visits/${id}/printed`, { method: 'POST' })
    await owner(`/api/visits/${id}/export`)
    await bundleOf(owner, id)
    const actions = (await audit()).lines.slice(0, 6).map((line) => line.action)
    for (const action of ['visit.print', 'visit.export']) expect(actions).toContain(action)
    expect(actions.some((action) => action.startsWith('visit.look'))).toBe(true)
  })
})

describe('a stop', () => {
  it('is due a call the next day, and no active step follows', async () => {
    const id = await treating(owner, 'owner', 'other-16')
    const steps = (await bundleOf(owner, id)).plans.find((plan) => plan.version === 1)?.steps ?? []
    const kept = await owner(`/api/visits/${id}/events`, {
      method: 'POST',
      body: {
        events: [
          tap({ kind: 'started' }),
          tap({ kind: 'redness', region: 'cheekL', grade: 3, key: steps[0]?.key ?? null }),
          tap({ kind: 'stopped', reason: 'Pink that will not go' }),
        ],
      },
    })
    expect(kept.status, kept.text).toBe(200)
    const bundle = await bundleOf(owner, id)
    expect(bundle.followUp).toMatchObject({ done: false })
    expect((await owner(`/api/visits/${id}/follow-up`, { method: 'POST' })).status).toBe(200)
    expect((await bundleOf(owner, id)).followUp).toMatchObject({ done: true })
  })
})

describe('a sealed visit as a file', () => {
  let id: string
  let doc: VisitDocument
  beforeAll(async () => {
    id = await sealedVisit(owner, 'owner', 'other-17')
    doc = (await owner(`/api/visits/${id}/export`)).body as VisitDocument
  })
  const take = (text: string, client = 'other-17') =>
    owner(`/api/people/${demoId(client)}/imports`, {
      method: 'POST',
      body: { id: randomUUID(), text },
    })
  it('proves itself to whoever holds it', () => {
    expect(verify({ prev: doc.seal.prev, head: doc.seal.head, items: doc.parts as never })).toEqual(
      { ok: true, erased: [] },
    )
  })
  it('comes back as ours', async () => {
    expect((await take(JSON.stringify(doc))).body).toEqual({ holds: true, ours: true, why: '' })
  })
  it('answers for every word beside its parts too: another id is another visit', async () => {
    const foreign = { ...doc, visit: { ...doc.visit, id: randomUUID() } }
    expect((await take(JSON.stringify(foreign))).body).toMatchObject({ holds: false, ours: false })
  })
  it('is marked as broken when a word of it was changed', async () => {
    const bent = JSON.parse(JSON.stringify(doc)) as VisitDocument
    const notes = bent.parts.find((part) => part.name === 'notes')
    if (notes) notes.content = 'Something else.'
    expect((await take(JSON.stringify(bent))).body).toMatchObject({ holds: false, ours: false })
  })
  it('is refused when it is not one, too deep or too large, with the field named', async () => {
    for (const [text, status] of [
      ['not json', 400],
      ['{}', 400],
      ['['.repeat(60) + ']'.repeat(60), 400],
      [JSON.stringify({ ...doc, formatVersion: 2 }), 400],
      [JSON.stringify({ ...doc, extra: 'x'.repeat(1_000_001) }), 400],
      ['x'.repeat(1_600_000), 413],
    ] as const) {
      const reply = await take(text)
      expect(reply.status).toBe(status)
      if (status === 400)
        expect((reply.body as { fields: unknown[] }).fields.length).toBeGreaterThan(0)
    }
  })
  it('an unsealed visit is not exported', async () => {
    expect(
      (await owner(`/api/visits/${await treating(owner, 'owner', 'other-18')}/export`)).status,
    ).toBe(422)
  })
})

describe("the next visit in the client's calendar, read by an independent library", () => {
  it('says when and where, and no word about skin or health', async () => {
    const id = await sealedVisit(owner, 'owner', 'other-19')
    expect((await owner(`/api/visits/${id}/next`)).status).toBe(422)
    const { version } = (await bundleOf(owner, id)).visit
    expect(
      (
        await owner(`/api/visits/${id}`, {
          method: 'PATCH',
          body: { version, nextVisitAt: byTheWall('2031-07-01', '11:30') },
        })
      ).status,
    ).toBe(200)
    const reply = await owner(`/api/visits/${id}/next`)
    expect(reply.headers.get('content-type')).toContain('text/calendar')
    const event = new ICAL.Event(
      new ICAL.Component(ICAL.parse(reply.text)).getFirstSubcomponent('vevent') ?? undefined,
    )
    expect(event.startDate.toJSDate().toISOString()).toBe(
      new Date(byTheWall('2031-07-01', '11:30')).toISOString(),
    )
    expect(event.duration.toSeconds()).toBe(3600)
    expect(event.location).toContain('Quay Lane')
    expect(reply.text).not.toMatch(
      /skin|facial|peel|acne|treatment|steam|mask|client|health|needling/i,
    )
    expect(reply.text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true) // RFC 5545, 3.1
    expect(reply.text.endsWith('\r\n')).toBe(true)
  })
})
