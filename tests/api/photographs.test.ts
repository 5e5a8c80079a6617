import { createHash, randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import { signedIn, testUrl, type Caller } from '../support/http'
import { jpegOf, withPlace } from '../support/picture'
import { book, bundleOf, someone, throughTheRoom, treating } from '../support/visit'

const base = testUrl()
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
  therapist = await signedIn(base, 'therapist')
})
const take = (id: string, more: object = {}, call = owner) =>
  call(`/api/visits/${id}/photographs`, {
    method: 'POST',
    body: {
      ...{ id: randomUUID(), regions: ['cheekL'], jpeg: jpegOf(120), agreed: true },
      ...more,
    },
  })
const look = (id: string, photograph: string, call = owner) =>
  call(`/api/visits/${id}/photograph?photograph=${photograph}`)
const kept = async (id: string) => (await bundleOf(owner, id)).photographs

describe('a picture of what was seen', () => {
  it('is kept once, is seen again byte for byte, and its sum stands in the sealed record', async () => {
    const visit = await treating(owner, 'owner', await someone(owner, 'Pink Cheek'))
    const id = randomUUID()
    expect((await take(visit, { id })).status).toBe(200)
    expect((await take(visit, { id })).status).toBe(200)
    const [first] = await kept(visit)
    expect(first).toMatchObject({ id, regions: ['cheekL'] })
    const sha256 = first?.sha256 ?? ''
    const seen = await look(visit, id)
    expect(createHash('sha256').update(seen.bytes).digest('hex')).toBe(sha256)
    expect(seen.headers.get('content-type')).toBe('image/jpeg')
    expect(seen.headers.get('cache-control')).toBe('no-store')
    await throughTheRoom(owner, visit)
    const sealed = await owner(`/api/visits/${visit}/seal`, { method: 'POST', body: { text: '' } })
    expect(sealed.status, sealed.text).toBe(200)
    const file = await owner(`/api/visits/${visit}/export`)
    expect(file.text).toContain(sha256)
    expect((await take(visit)).status).toBe(422)
    expect((await look(visit, id)).status).toBe(200)
  })
  it('is drawn anew: no place, no device, and nothing that is no picture', async () => {
    const visit = await treating(owner, 'owner', await someone(owner, 'Where It Was'))
    const id = randomUUID()
    expect((await take(visit, { id, jpeg: withPlace(jpegOf(90)) })).status).toBe(200)
    const { bytes } = await look(visit, id)
    expect(bytes.includes(Buffer.from('GPS'))).toBe(false)
    expect(bytes.includes(Buffer.from('Exif'))).toBe(false)
    const start = Buffer.from('ffd8ffe0', 'hex')
    const script = Buffer.concat([start, Buffer.from('<script>alert(1)</script>')])
    for (const jpeg of [script, Buffer.concat([start, Buffer.alloc(4000)])])
      expect((await take(visit, { jpeg: jpeg.toString('base64') })).status).toBe(400)
  })
  it('is one of twelve, however many come at once', async () => {
    const visit = await treating(owner, 'owner', await someone(owner, 'All At Once'))
    const replies = await Promise.all(
      Array.from({ length: 20 }, (_, at) => take(visit, { jpeg: jpegOf(at * 10) })),
    )
    expect(replies.filter(({ status }) => status === 200)).toHaveLength(12)
    expect(await kept(visit)).toHaveLength(12)
  })
  it('belongs to a treatment, and is not taken of whoever wishes none', async () => {
    const client = await someone(owner, 'Camera Shy')
    const booked = await book(owner, 'owner', client)
    expect((await take(booked)).status).toBe(422)
    const visit = await treating(owner, 'owner', client)
    const wish = async (photos: string) =>
      owner(`/api/visits/${visit}/preferences`, {
        method: 'PUT',
        body: { preferences: { photos } },
      })
    expect((await wish('no')).status).toBe(200)
    const refused = await take(visit)
    expect(refused.status).toBe(422)
    expect(refused.text).toContain('does not want photographs')
    expect(await kept(visit)).toEqual([])
    await wish('file')
    expect((await take(visit)).status).toBe(200)
  })
  it('is seen by whoever may see the visit, each look is written down, and twelve are enough', async () => {
    const visit = await treating(owner, 'owner', await someone(owner, 'Many Pictures'))
    const ids = Array.from({ length: 13 }, () => randomUUID())
    const replies: number[] = []
    for (const id of ids) replies.push((await take(visit, { id })).status)
    expect(replies.filter((status) => status === 200)).toHaveLength(12)
    expect(replies.at(-1)).toBe(422)
    const [first = ''] = ids
    expect((await look(visit, first, therapist)).status).toBe(403)
    expect((await take(visit, {}, therapist)).status).toBe(403)
    expect((await look(visit, first)).status).toBe(200)
    const audit = await owner('/api/audit?what=visit.picture')
    expect(audit.text).toContain('visit.picture')
    const other = await treating(owner, 'owner', await someone(owner, 'Another Face'))
    expect((await look(other, first)).status).toBe(404)
    expect((await look(visit, 'x')).status).toBe(400)
  })
})
