import { readFileSync } from 'node:fs'
import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { Validator } from '@seriousme/openapi-schema-validator'
import { beforeAll, describe, expect, it } from 'vitest'
import type { DayPage } from '#contracts/replies/day'
import type { PeoplePage } from '#contracts/replies/people'
import { signedIn, testUrl, type Caller } from '../support/http'

type Document = Record<string, unknown> & { openapi: string }

/** The document as the running house gives it, judged by packages that know nothing of the house. */
describe('the wire as an OpenAPI document', () => {
  let owner: Caller
  let document: Document
  beforeAll(async () => {
    owner = await signedIn(testUrl(), 'owner')
    document = (await owner('/api/openapi.json')).body as Document
    ajv.addSchema(document, 'wire')
  })
  const ajv = new Ajv2020({ strict: false, allErrors: true, validateSchema: false })
  addFormats(ajv)
  /** What of a body does not fit the schema at a place of the document. */
  const misfits = (place: string, body: unknown) => {
    const fits = ajv.getSchema(`wire#${place}`)
    if (!fits) return [`nothing stands at ${place}`]
    return fits(body) === true
      ? []
      : (fits.errors ?? []).map(({ instancePath, message }) => [instancePath, message])
  }
  const given = (path: string) =>
    `/paths/${path.replaceAll('/', '~1')}/get/responses/200/content/application~1json/schema`

  it('is valid by an outside package, and is the one that is published', async () => {
    expect(document.openapi).toBe('3.1.0')
    expect(document).toEqual(JSON.parse(readFileSync('docs/formats/openapi.json', 'utf8')))
    const { valid, errors } = await new Validator().validate(JSON.parse(JSON.stringify(document)))
    expect(errors).toBeUndefined()
    expect(valid).toBe(true)
  })

  it('says what the house gives: page by page, by an outside package', async () => {
    const asked = [
      '/api/day',
      '/api/people?size=5',
      '/api/shelf',
      '/api/house',
      '/api/practice',
      '/api/method',
      '/api/hours',
      '/api/audit',
      '/api/staff',
      '/api/session',
      '/api/meters',
      '/api/week?date=2026-11-24',
    ]
    for (const path of asked) {
      const { status, body } = await owner(path)
      expect(status, path).toBe(200)
      expect(misfits(given(path.split('?')[0] ?? ''), body), path).toEqual([])
    }
    expect(misfits(given('/api/day'), { day: 'never' }), 'a checker that can say no').not.toEqual(
      [],
    )
    const { visits } = (await owner('/api/day')).body as DayPage
    for (const { id } of visits)
      expect(misfits(given('/api/visits/{id}'), (await owner(`/api/visits/${id}`)).body)).toEqual(
        [],
      )
    const { people } = (await owner('/api/people?size=5')).body as PeoplePage
    for (const { id } of people)
      expect(misfits(given('/api/people/{id}'), (await owner(`/api/people/${id}`)).body)).toEqual(
        [],
      )
  })

  it('says what a refusal looks like', async () => {
    const refusal = '/components/responses/refused/content/application~1problem+json/schema'
    for (const path of ['/api/visits/nothing', '/api/week?date=never', '/api/audit?what=WHAT']) {
      const { status, body } = await owner(path)
      expect(status, path).toBeGreaterThanOrEqual(400)
      expect(misfits(refusal, body), path).toEqual([])
    }
  })
})
