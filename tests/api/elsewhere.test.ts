import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { VisitDocument } from '#contracts/exchange'
import type { FilesRead, HandedIn } from '#contracts/replies/visitFile'
import { canonical } from '#core/record/canonical'
import { signedIn, testUrl, type Caller } from '../support/http'
import { withAcid } from '../support/ownPlan'
import { bundleOf, prepared, someone, tap } from '../support/visit'

const base = testUrl()
const MINUTE = 60_000
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
/** A sealed visit with an acid mask, as its file. */
async function fileWithAcid(name: string) {
  const client = await someone(owner, name)
  const { id, began } = await withAcid(client)
  const events = [tap({ kind: 'finished' }, began + 44 * MINUTE, { planVersion: 2 })]
  await owner(`/api/visits/${id}/events`, { method: 'POST', body: { events } })
  const sealed = await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: 'acid' } })
  expect(sealed.status, sealed.text).toBe(200)
  const doc = (await owner(`/api/visits/${id}/export`)).body as VisitDocument
  return { client, id, doc }
}
const take = (client: string, doc: object, more: object = {}) =>
  owner(`/api/people/${client}/imports`, {
    method: 'POST',
    body: { id: randomUUID(), text: JSON.stringify(doc), ...more },
  })

describe('a visit from another house', () => {
  it('counts: an acid mask of yesterday in it is an acid mask of yesterday', async () => {
    const { doc } = await fileWithAcid('Acid Elsewhere')
    const here = await someone(owner, 'Acid Elsewhere')
    const before = await bundleOf(owner, await prepared(owner, 'owner', here))
    expect(before.past).toEqual([])
    expect((await take(here, doc, { confirmed: true })).status).toBe(200)
    const after = await bundleOf(owner, await prepared(owner, 'owner', here))
    expect(after.past[0]?.families).toContain('acid')
    expect(after.poured.length).toBe(1)
  })
  it('of somebody else by name or birthday is asked about, never taken without a word', async () => {
    const { doc } = await fileWithAcid('One Person')
    const other = await someone(owner, 'Another Person')
    const refused = await take(other, doc)
    expect(refused.status).toBe(409)
    expect(refused.text).toContain('One Person')
    expect((await bundleOf(owner, await prepared(owner, 'owner', other))).past).toEqual([])
    const sameName = await someone(owner, 'One Person', '1970-01-01')
    expect((await take(sameName, doc)).status).toBe(409)
    expect((await take(sameName, doc, { confirmed: true })).status).toBe(200)
  })
  it('is broken where anything of it was changed by hand, its head and its amendments too', async () => {
    const { client, id, doc } = await fileWithAcid('Bent By Hand')
    const amendment = { id: randomUUID(), after: 'enzyme', reason: 'the bottle was looked at' }
    await owner(`/api/visits/${id}/amendments`, { method: 'POST', body: amendment })
    const whole = (await owner(`/api/visits/${id}/export`)).body as VisitDocument
    const [said] = whole.amendments
    if (!said) throw new Error('no amendment')
    const bent: Partial<VisitDocument>[] = [
      { visit: { ...doc.visit, startsAt: '2020-01-01T10:00:00.000Z' } },
      { practice: { name: 'Some Other House' } },
      { visit: { ...doc.visit, therapist: 'Somebody' } },
      { seal: { ...doc.seal, sealedAt: '2020-01-01T10:00:00.000Z' } },
      { amendments: [{ ...said, after: 'nothing at all' }] },
      { amendments: [{ ...said, reason: 'another' }] },
    ]
    for (const more of bent)
      expect((await take(client, { ...whole, ...more })).body, JSON.stringify(more)).toMatchObject({
        holds: false,
        why: expect.stringMatching(/^Not as it was sealed|not what was said/),
      })
    expect((await take(client, whole)).body).toEqual({ holds: true, ours: true, why: '' })
  })
  it('a whole client that was taken out comes in again, equal, and its work counts', async () => {
    const { client } = await fileWithAcid('Moves House')
    const out = await owner(`/api/people/${client}/export`)
    expect(out.status).toBe(200)
    const id = randomUUID()
    const send = () => owner('/api/people/files', { method: 'POST', body: { id, text: out.text } })
    const taken = await send()
    expect(taken.status, taken.text).toBe(200)
    expect((await send()).status, 'sent twice is taken once').toBe(200)
    const again = (await owner(`/api/people/${id}/export`)).body as {
      client: { name: string }
      imports: { document: unknown; holds: boolean }[]
    }
    expect(again.client.name).toBe('Moves House')
    expect(again.imports).toHaveLength(1)
    expect(again.imports[0]?.holds).toBe(true)
    expect(canonical(again.imports[0]?.document ?? null)).toBe(canonical(out.body))
    const next = await bundleOf(owner, await prepared(owner, 'owner', id))
    expect(next.past[0]?.families).toContain('acid')
    expect(
      (await owner('/api/people/files', { method: 'POST', body: { id, text: '{}' } })).status,
    ).toBe(400)
  })
  it('is read before it is kept, and after: what was done, whose it is, whether the seal holds', async () => {
    const { client, doc } = await fileWithAcid('Read First')
    const read = (text: string) =>
      owner('/api/people/files/read', { method: 'POST', body: { text } })
    const handed = (await read(JSON.stringify(doc))).body as HandedIn
    expect(handed.file).toMatchObject({ kind: 'visit', client: { name: 'Read First' } })
    const [visit] = handed.file.visits
    expect(visit?.seal).toEqual({ holds: true, why: '', ours: true })
    expect(visit?.unread, 'every part of our own record is read').toEqual([])
    const recorded = doc.parts.find(({ name }) => name === 'treatment')?.content as {
      lines: { name: string; product: { name: string } | null }[]
    }
    expect(visit?.lines.map(({ name }) => name)).toEqual(recorded.lines.map(({ name }) => name))
    for (const [place, { product }] of recorded.lines.entries())
      if (product) expect(visit?.lines[place]?.products[0]?.name).toBe(product.name)
    expect(visit?.sentHome.length).toBeGreaterThan(2)
    expect(Object.keys(visit?.readings.madeUp ?? {}).length).toBeGreaterThan(5)
    // Nothing was kept by reading it.
    const other = await someone(owner, 'Read First')
    const elsewhere = async () => (await owner(`/api/people/${other}/imports`)).body as FilesRead
    expect((await elsewhere()).files).toEqual([])
    // Of another house's hand: changed, half unknown, and a part that nobody here can read.
    const strange = {
      ...doc,
      parts: doc.parts.map((part) =>
        part.name === 'treatment' ? { ...part, content: { lines: 'by hand', more: [1] } } : part,
      ),
    }
    const taken = await take(other, strange, { confirmed: true })
    expect(taken.status, taken.text).toBe(200)
    const [kept] = (await elsewhere()).files
    expect(kept?.visits[0]).toMatchObject({
      seal: { holds: false, ours: false, why: 'Not as it was sealed: the treatment.' },
      lines: [],
      unread: ['treatment'],
    })
    // A whole client: each of the sealed visits.
    const whole = (await read((await owner(`/api/people/${client}/export`)).text)).body as HandedIn
    expect(whole.file.kind).toBe('client')
    expect(whole.file.visits.map(({ id, seal }) => [id, seal.holds])).toEqual([
      [doc.visit.id, true],
    ])
    expect(whole.file.visits[0]?.lines).toEqual(visit?.lines)
    for (const text of ['', '{', '[]', 'null', '{"format":"oak-basin/visit"}'])
      expect((await read(text)).status, text).toBe(400)
    expect((await read('[1]')).text).toContain('not the file of a visit')
  })
})
