import { randomUUID } from 'node:crypto'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openHouse } from '../../scripts/house.mjs'
import { TABLE } from '../api/accessTable'
import { signedIn, type Caller } from '../support/http'
import { book, someone } from '../support/visit'

/**
 * Every contract, bent in every way: whatever arrives is taken or refused, and never breaks the
 * server. In a house of its own, because some of it is taken.
 */
const REQUESTS = process.env.OAK_FULL ? 15_000 : 1_000
const AT_ONCE = 6
let house: Awaited<ReturnType<typeof openHouse>> & { address?: string }
let owner: Caller
let ids: Record<'visit' | 'client', string>
beforeAll(async () => {
  house = await openHouse('faults-fuzz', { firstPort: 24780, wanted: 4490 })
  owner = await signedIn(house.address ?? '', 'owner')
  ids = { visit: await book(owner, 'owner'), client: await someone(owner) }
})
afterAll(() => house.close())

/** Values that no field asks for, the nastier ones first. */
const ODD: readonly unknown[] = [
  null,
  '',
  ' ',
  '\u0000',
  '\ud800',
  '\u202e reversed',
  'x'.repeat(5000),
  '2026-02-30',
  '0000-00-00',
  '0000-01-01T00:00:00Z',
  '275760-09-13T00:00:00Z',
  "'; drop table visits; --",
  '{{ name }}',
  '__proto__',
  -1,
  0,
  1.5,
  2 ** 31,
  2 ** 53,
  -(2 ** 63),
  1e308,
  true,
  [],
  {},
  [[[[[]]]]],
  { __proto__: { a: 1 } },
  Array.from({ length: 300 }, () => 'x'),
  randomUUID(),
]
type Path = readonly (string | number)[]
/** Every place in a document, the whole of it first. */
function placesIn(value: unknown, path: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [path]
  return [path, ...Object.entries(value).flatMap(([key, own]) => placesIn(own, [...path, key]))]
}
/** The document with one place put otherwise, or taken out. */
function bent(value: unknown, path: Path, to: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return to
  if (typeof value !== 'object' || value === null) return value
  const copy = (Array.isArray(value) ? [...value] : { ...value }) as Record<
    string | number,
    unknown
  >
  if (rest.length > 0 || to !== undefined) copy[key] = bent(copy[key], rest, to)
  else if (!Array.isArray(copy))
    return Object.fromEntries(Object.entries(copy).filter(([own]) => own !== key))
  return copy
}

describe('a stranger to the contracts', () => {
  it(`sends ${REQUESTS} bent requests and breaks nothing`, async () => {
    const routes = TABLE.filter((row) => row.body !== undefined && !/session/.test(row.route))
    const make = fc.sample(
      fc.record({
        row: fc.nat({ max: routes.length - 1 }),
        bends: fc.array(fc.record({ place: fc.nat(), odd: fc.nat({ max: ODD.length }) }), {
          minLength: 1,
          maxLength: 3,
        }),
        more: fc.boolean(),
      }),
      { numRuns: REQUESTS, seed: 20_261_126 },
    )
    const broke: string[] = []
    const send = async ({ row: at, bends, more }: (typeof make)[number]) => {
      const row = routes[at]
      if (!row) return
      const id = row.object === undefined ? randomUUID() : ids[row.object]
      let body: unknown = row.body?.(id, 'owner')
      for (const { place, odd } of bends) {
        const places = placesIn(body)
        body = bent(body, places[place % places.length] ?? [], ODD[odd])
      }
      if (more && typeof body === 'object' && body !== null && !Array.isArray(body))
        body = { ...body, more: 1 }
      const [method = '', path = ''] = row.route.split(' ')
      const reply = await owner(path.replace('[id]', id), { method, body: body ?? null })
      if (reply.status >= 500) broke.push(`${row.route} ${JSON.stringify(body).slice(0, 200)}`)
    }
    for (let at = 0; at < make.length; at += AT_ONCE)
      await Promise.all(make.slice(at, at + AT_ONCE).map(send))
    expect(broke).toEqual([])
    expect((await owner('/api/ready')).status).toBe(200)
  }, 900_000)
  it('asks every list with odd questions', async () => {
    const broke: string[] = []
    for (const path of [
      'people?q=',
      'people?page=',
      'day?date=',
      'week?date=',
      'places?from=',
      'practice/chain?after=',
    ])
      for (const odd of ODD) {
        const word = encodeURIComponent(String(odd).replace(/[\ud800-\udfff]/g, '?'))
        const reply = await owner(`/api/${path}${word}`)
        if (reply.status >= 500) broke.push(`${path}${word.slice(0, 40)}`)
      }
    expect(broke).toEqual([])
  })
})
