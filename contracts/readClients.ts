import ICAL from 'ical.js'
import Papa from 'papaparse'
import { z } from 'zod'
import { REFERENCE_FACE } from '#core/face/regions'
import { clientFields, type ClientFields } from './people'

/** Millimetres of a centimetre. */
const MM = 10

/** What a column of a file may be. */
export const IMPORT_FIELDS = [
  'name',
  'born',
  'phone',
  'email',
  'work',
  'medicines',
  'notes',
] as const
export type ImportField = (typeof IMPORT_FIELDS)[number]
/** Which column holds which field, by its place in the file. */
export type Mapping = Partial<Record<ImportField, number>>

/** A file as it was read: its column names, and every row under them. */
export interface ReadFile {
  headers: string[]
  rows: string[][]
}

/**
 * A CSV file with a line of names, by whatever sign it is parted.
 * @returns undefined where there is no row under the names
 */
export function readCsv(text: string): ReadFile | undefined {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const [headers, ...rows] = data
  if (!headers || rows.length === 0) return undefined
  return { headers: headers.map((name) => name.trim()), rows }
}

/** How columns are commonly called, in the languages that cost nothing to know. */
const CALLED: Readonly<Record<ImportField, RegExp>> = {
  name: /^(full ?name|name|client|customer|fn|nimi|namn)$/i,
  born: /^(born|birth ?(day|date)?|date of birth|dob|bday)$/i,
  phone: /^(phone|mobile|tel(ephone)?|cell)/i,
  email: /^(e-?mail)/i,
  work: /^(work|job|occupation|profession|title)$/i,
  medicines: /^(medicines?|medication)/i,
  notes: /^(notes?|remarks?|comments?)$/i,
}

/** A first guess of which column is what, by its name. */
export function guessMapping(headers: readonly string[]): Mapping {
  const out: Mapping = {}
  for (const field of IMPORT_FIELDS) {
    const at = headers.findIndex((name) => CALLED[field].test(name))
    if (at >= 0) out[field] = at
  }
  return out
}

/** Cards of vCard 3 and 4, in the same shape as the rows of a CSV file. */
export function readVcards(text: string): ReadFile | undefined {
  const parsed: unknown = ICAL.parse(text)
  const cards = (
    Array.isArray(parsed) && typeof parsed[0] === 'string' ? [parsed] : parsed
  ) as object[]
  const rows = cards.map((card) => {
    const component = new ICAL.Component(card as never)
    const of = (name: string) => {
      const value = component.getFirstPropertyValue(name)
      return value === null || value === undefined ? '' : String(value)
    }
    const phone = of('tel').replace(/^tel:/, '')
    return [
      of('fn'),
      of('bday').replaceAll('/', '-'),
      phone,
      of('email'),
      of('title'),
      '',
      of('note'),
    ]
  })
  return rows.length === 0 ? undefined : { headers: [...IMPORT_FIELDS], rows }
}

/** "1988-02-03", "3.2.1988", "1988/2/3" or "19880203" as an ISO day; else as it stands. */
export function readDay(text: string): string {
  const pad = (part: string | undefined) => String(part).padStart(2, '0')
  const [, year, month, day] = /^(\d{4})[-/.]?(\d{1,2})[-/.]?(\d{1,2})/.exec(text.trim()) ?? []
  if (year) return `${year}-${pad(month)}-${pad(day)}`
  const [, first, second, last] = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text.trim()) ?? []
  return last ? `${last}-${pad(second)}-${pad(first)}` : text.trim()
}

/** An apostrophe before what a spreadsheet would run is the export's own: it goes again. */
const bare = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, '')

const whole = z.strictObject(clientFields)
/** A row as a client, and what is wrong with it, each with its field. */
export interface ReadRow {
  fields: ClientFields
  wrong: { field: string; why: string }[]
}
export function toClient(row: readonly string[], mapping: Mapping): ReadRow {
  const of = (field: ImportField) => {
    const at = mapping[field]
    return at === undefined ? '' : bare((row[at] ?? '').trim())
  }
  const given = {
    ...{ name: of('name'), born: readDay(of('born')), phone: of('phone'), email: of('email') },
    ...{ work: of('work'), medicines: of('medicines'), notes: of('notes') },
    faceHeightMm: REFERENCE_FACE.height * MM,
    faceWidthMm: REFERENCE_FACE.width * MM,
  }
  const read = whole.safeParse(given)
  if (read.success) return { fields: read.data, wrong: [] }
  return {
    fields: given,
    wrong: read.error.issues.map(({ path, message }) => ({
      field: String(path[0] ?? ''),
      why: message,
    })),
  }
}
