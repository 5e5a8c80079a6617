import Ajv2020 from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { publishedSchemas } from '#contracts/published'
import { clientDocument, IMPORT_DEPTH, jsonDepth, visitDocument } from '#contracts/exchange'
import { allRows, rowsPage } from '#core/rows/rows'
import { compile } from '#core/planning/question/compile'
import { network } from '#core/planning/published/network'
import { GENESIS, seal } from '#core/record/seal'
import { planInput } from '#core/testing/fixtures'

const ajv = addFormats(new Ajv2020({ strict: false, allErrors: true }))
const id = '6303f498-b35a-456b-83b3-ba47915223a7'
const sealed = seal([{ name: 'visit', content: { a: 1 } }], ['ab'.repeat(32)], GENESIS)
const document = {
  format: 'oak-basin/visit',
  formatVersion: 1,
  exportedAt: '2026-03-10T10:00:00.000Z',
  practice: { name: 'A house' },
  client: { name: 'A client', born: '1990-01-01' },
  visit: { id, startsAt: '2026-03-10T09:00:00.000Z', minutes: 60, therapist: 'T', room: 'R' },
  seal: { number: 1, prev: sealed.prev, head: sealed.head, sealedAt: '2026-03-10T10:00:00.000Z' },
  parts: sealed.items.map((i) => ({
    name: i.name,
    commitment: i.commitment,
    salt: i.salt,
    content: i.content,
  })),
  amendments: [],
}

describe('the published planning case', () => {
  it("is the contract's own schema, and takes what the planner compiles, by an independent validator", () => {
    const schema = JSON.parse(readFileSync('docs/formats/plan-case.schema.json', 'utf8')) as object
    expect(schema).toEqual(JSON.parse(JSON.stringify(publishedSchemas()['plan-case.schema.json'])))
    const valid = ajv.compile(schema)
    const planNetwork = network(compile(planInput({ slotMinutes: 60 })), 120)
    expect(
      valid(JSON.parse(JSON.stringify(planNetwork))),
      JSON.stringify(valid.errors?.slice(0, 3)),
    ).toBe(true)
    expect(valid({ ...planNetwork, slotTicks: 1.5 })).toBe(false)
    expect(valid({ ...planNetwork, headroom: planNetwork.headroom.slice(1) })).toBe(false)
  })
})

describe('the page of all rows', () => {
  it('is current, and every row says what it does and where it comes from', () => {
    expect(readFileSync('docs/rows.md', 'utf8')).toBe(rowsPage())
    const rows = allRows()
    expect(new Set(rows.map((row) => row.id)).size).toBe(rows.length)
    for (const row of rows) {
      expect(row.sentence.length, row.id).toBeGreaterThan(2)
      expect(row.source.length, row.id).toBeGreaterThan(3)
    }
  })
})

describe('the published visit file, JSON Schema 2020-12, by an independent validator', () => {
  const schema = JSON.parse(readFileSync('docs/formats/visit.schema.json', 'utf8')) as object
  const valid = ajv.compile(schema)
  it("is the contract's own schema, as published", () => {
    expect(schema).toEqual(JSON.parse(JSON.stringify(publishedSchemas()['visit.schema.json'])))
  })
  it('takes what we write', () => {
    expect(valid(document), JSON.stringify(valid.errors)).toBe(true)
  })
  const broken: [string, (whole: typeof document) => object][] = [
    ['another format', (whole) => ({ ...whole, format: 'other' })],
    ['a broken head', (whole) => ({ ...whole, seal: { ...whole.seal, head: 'xyz' } })],
    ['no parts', (whole) => ({ ...whole, parts: [] })],
    ['a word too many', (whole) => ({ ...whole, more: 1 })],
    ['a day that is none', (whole) => ({ ...whole, client: { ...whole.client, born: '1990' } })],
    ['minutes as text', (whole) => ({ ...whole, visit: { ...whole.visit, minutes: '60' } })],
  ]
  for (const [what, change] of broken)
    it(`refuses ${what}, as our own reader does`, () => {
      expect(valid(change(document))).toBe(false)
      expect(visitDocument.safeParse(change(document)).success).toBe(false)
    })
})

describe('the published file of a whole client, by an independent validator', () => {
  const schema = JSON.parse(readFileSync('docs/formats/client.schema.json', 'utf8')) as object
  const valid = ajv.compile(schema)
  const client = {
    format: 'oak-basin/client',
    formatVersion: 1,
    client: {
      ...{ name: 'A client', born: null, phone: null, email: null, work: null },
      ...{ medicines: '', notes: '', faceHeightMm: 190, faceWidthMm: 140, likes: 'warm cloths' },
    },
    visits: [{ id, startsAt: '2026-03-10T09:00:00.000Z', begunAt: null, more: [1] }],
    seals: [{ visitId: id, prev: sealed.prev, head: sealed.head }],
    record: sealed.items.map((item, place) => ({ visitId: id, place, ...item })),
    somethingElse: {},
  }
  it("is the contract's own schema; what stands beside it in a file is no trouble", () => {
    expect(schema).toEqual(JSON.parse(JSON.stringify(publishedSchemas()['client.schema.json'])))
    expect(valid(client), JSON.stringify(valid.errors)).toBe(true)
    expect(clientDocument.safeParse(client).success).toBe(true)
  })
  const broken: [string, object][] = [
    ['another format', { format: 'oak-basin/visit' }],
    ['no records', { record: undefined }],
    ['a visit without its id', { visits: [{ startsAt: '2026-03-10' }] }],
    ['a face of a metre', { client: { ...client.client, faceHeightMm: 1000 } }],
    ['a head that is none', { seals: [{ visitId: id, prev: sealed.prev, head: 'xyz' }] }],
  ]
  it.each(broken)('refuses %s, as our own reader does', (_, change) => {
    const bad = JSON.parse(JSON.stringify({ ...client, ...change })) as object
    expect(valid(bad)).toBe(false)
    expect(clientDocument.safeParse(bad).success).toBe(false)
  })
})

describe('depth of a file before it is parsed', () => {
  it('counts brackets outside of strings', () => {
    expect(jsonDepth('{"a":[1,{"b":"[[[["}]}')).toBe(3)
    expect(jsonDepth('"\\"[["')).toBe(0)
    expect(jsonDepth('['.repeat(IMPORT_DEPTH + 1))).toBeGreaterThan(IMPORT_DEPTH)
  })
})
