import Ajv2020 from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { publishedSchemas } from '#contracts/published'
import { IMPORT_DEPTH, jsonDepth, visitDocument } from '#contracts/exchange'
import { allRows, rowsPage } from '#core/rows/rows'
import { compile } from '#core/planning/question/compile'
import { network } from '#core/planning/search/network'
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
    const n = network(compile(planInput({ slotMinutes: 60 })), 120)
    expect(valid(JSON.parse(JSON.stringify(n))), JSON.stringify(valid.errors?.slice(0, 3))).toBe(
      true,
    )
    expect(valid({ ...n, slotTicks: 1.5 })).toBe(false)
    expect(valid({ ...n, headroom: n.headroom.slice(1) })).toBe(false)
  })
})

describe('the page of all rows', () => {
  it('is current, and every row says what it does and where it comes from', () => {
    expect(readFileSync('docs/rows.md', 'utf8')).toBe(rowsPage())
    const rows = allRows()
    expect(new Set(rows.map((r) => r.id)).size).toBe(rows.length)
    for (const r of rows) {
      expect(r.sentence.length, r.id).toBeGreaterThan(2)
      expect(r.source.length, r.id).toBeGreaterThan(3)
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
  const broken: [string, (d: typeof document) => object][] = [
    ['another format', (d) => ({ ...d, format: 'other' })],
    ['a broken head', (d) => ({ ...d, seal: { ...d.seal, head: 'xyz' } })],
    ['no parts', (d) => ({ ...d, parts: [] })],
    ['a word too many', (d) => ({ ...d, more: 1 })],
    ['a day that is none', (d) => ({ ...d, client: { ...d.client, born: '1990' } })],
    ['minutes as text', (d) => ({ ...d, visit: { ...d.visit, minutes: '60' } })],
  ]
  for (const [what, change] of broken)
    it(`refuses ${what}, as our own reader does`, () => {
      expect(valid(change(document))).toBe(false)
      expect(visitDocument.safeParse(change(document)).success).toBe(false)
    })
})

describe('depth of a file before it is parsed', () => {
  it('counts brackets outside of strings', () => {
    expect(jsonDepth('{"a":[1,{"b":"[[[["}]}')).toBe(3)
    expect(jsonDepth('"\\"[["')).toBe(0)
    expect(jsonDepth('['.repeat(IMPORT_DEPTH + 1))).toBeGreaterThan(IMPORT_DEPTH)
  })
})
