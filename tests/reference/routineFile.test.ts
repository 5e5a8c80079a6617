import Ajv2020 from 'ajv/dist/2020'
import addFormats from 'ajv-formats'
import ICAL from 'ical.js'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { publishedSchemas } from '#contracts/published'
import { ROUTINE_FORMAT } from '#contracts/routineFile'
import { NOTHING_ASKED } from '#core/home/asked'
import { routineFor } from '#core/home/routine'
import { visitBundle } from '#core/testing/bundle'
import { homeQuestionOf } from '#core/visit/homeQuestion'
import { contactCard } from '../../app/composables/contactCard'

describe('the published routine, JSON Schema 2020-12, by an independent validator', () => {
  it("is the contract's own schema, takes what is written, and no name of a client", () => {
    const schema = JSON.parse(readFileSync('docs/formats/routine.schema.json', 'utf8')) as object
    expect(schema).toEqual(JSON.parse(JSON.stringify(publishedSchemas()['routine.schema.json'])))
    const valid = addFormats(new Ajv2020({ strict: false, allErrors: true })).compile(schema)
    const wishes = {
      nights: [{ id: 'scrub' as const, perWeek: 1, strength: 'usual' as const }],
      vitaminC: true,
      named: {},
    }
    const document = {
      ...ROUTINE_FORMAT,
      practice: 'A house',
      writtenAt: '2026-03-10T10:00:00.000Z',
      routine: routineFor(homeQuestionOf(visitBundle(), NOTHING_ASKED, wishes)),
    }
    const asSent = JSON.parse(JSON.stringify(document)) as typeof document
    expect(valid(asSent), JSON.stringify(valid.errors?.slice(0, 3))).toBe(true)
    expect(valid({ ...asSent, client: 'A client' })).toBe(false)
    expect(valid({ ...asSent, writtenAt: 'yesterday' })).toBe(false)
  })
})

describe('the practice as a contact (vCard 3.0, RFC 2426), by an independent parser', () => {
  it('holds its name and its number, with commas and letters of any script', () => {
    for (const name of ['Linden Rooms', 'Café Ågren, Rooms', 'Нева'])
      for (const phone of ['+000 555 0140', '0140']) {
        const parsed = ICAL.parse(contactCard({ name, phone })) as [string, unknown[][]]
        const card = new ICAL.Component(parsed as never)
        expect(card.name).toBe('vcard')
        expect(card.getFirstPropertyValue('version')).toBe('3.0')
        expect(String(card.getFirstPropertyValue('fn')).trim()).toBe(name)
        expect(String(card.getFirstPropertyValue('tel')).replace(/^tel:/, '')).toBe(phone)
        expect(card.getAllProperties().map((own) => own.name)).not.toContain('note')
      }
  })
})
