import { z } from 'zod'
import { REFERENCE_FACE } from '#core/face/regions'
import { clientFields, type ClientFields } from '../people'
import { IMPORT_FIELDS, type ImportField, type Mapping } from './columns'
import type { ReadFile } from './csv'
import { orderIn, readDay, type DayOrder } from './days'

/** Millimetres of a centimetre. */
const MM = 10
const whole = z.strictObject(clientFields)

/** What a row says, field by field, as it was typed. */
export type Said = Record<ImportField, string>
/** A row as a client: what hinders it, each with its field, and what was not understood. */
export interface ReadRow {
  fields: ClientFields
  wrong: { field: string; why: string }[]
  /** A birthday that could not be read: it stands in the notes, and the client comes in. */
  unread?: string
}

/** A sign before what a spreadsheet would run is the export's own: it goes again. */
const bare = (text: string) =>
  text
    .trim()
    .replace(/^'(?=[=+\-@\t\r])/, '')
    .trim()
/** The first of several, with blanks where a program writes points. */
const phoneOf = (text: string) =>
  (text.split(/ ::: |[,;]/)[0] ?? '').replace(/[.\u00A0]/g, ' ').trim()
export const saidIn = (row: readonly string[], mapping: Mapping): Said =>
  Object.fromEntries(
    IMPORT_FIELDS.map((field) => {
      const at = mapping[field]
      return [field, at === undefined ? '' : bare(row[at] ?? '')]
    }),
  ) as Said

/** Names of the column in the one language whose countries write either way. */
const ENGLISH = /^(born|birth|date of|dob|bday)/i
/** The order of days in the column of birthdays; undefined where it has to be asked. */
export function dayOrderOf({ rows, headers }: ReadFile, { born }: Mapping): DayOrder | undefined {
  if (born === undefined) return 'day first'
  const shown = orderIn(rows.map((row) => row[born] ?? ''))
  return shown ?? (ENGLISH.test(headers[born] ?? '') ? undefined : 'day first')
}

export function toClient(said: Said, order?: DayOrder): ReadRow {
  const born = said.born === '' ? '' : readDay(said.born, order)
  const birthday = born && whole.shape.born.safeParse(born).success ? born : ''
  const unread = said.born !== '' && birthday === '' ? said.born : undefined
  const given: ClientFields = {
    name: said.name || [said.first, said.last].filter(Boolean).join(' '),
    born: birthday,
    phone: phoneOf(said.phone),
    email: said.email,
    work: said.work,
    medicines: said.medicines,
    notes: [said.notes, unread === undefined ? '' : `Birthday in the file: ${unread}`]
      .filter(Boolean)
      .join('\n'),
    faceHeightMm: REFERENCE_FACE.height * MM,
    faceWidthMm: REFERENCE_FACE.width * MM,
  }
  const read = whole.safeParse(given)
  return {
    fields: read.success ? read.data : given,
    wrong: read.success
      ? []
      : read.error.issues.map(({ path, message }) => ({ field: String(path[0]), why: message })),
    ...(unread === undefined ? {} : { unread }),
  }
}

const digits = (phone: string) => phone.replace(/\D/g, '')
/** Who stands in the file twice: the same name, with the birthday or the phone alike or unsaid. */
export function twiceIn(rows: readonly ReadRow[]): Map<number, number> {
  const seen = new Map<string, number[]>()
  const found = new Map<number, number>()
  rows.forEach(({ fields }, at) => {
    const name = fields.name.toLowerCase().replace(/\s+/g, ' ')
    if (name === '') return
    const before = seen.get(name) ?? []
    const same = before.find((other) => {
      const { born, phone } = rows[other]?.fields ?? fields
      if (born !== '' && fields.born !== '') return born === fields.born
      if (digits(phone) !== '' && digits(fields.phone) !== '')
        return digits(phone) === digits(fields.phone)
      return true
    })
    if (same !== undefined) found.set(at, same)
    seen.set(name, [...before, at])
  })
  return found
}
