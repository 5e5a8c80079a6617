import ICAL from 'ical.js'
import { foldLines } from '../foldLines'
import { IMPORT_FIELDS, type ImportField } from './columns'
import type { ReadFile } from './csv'

const CARD = /BEGIN:VCARD[\s\S]*?END:VCARD/gi
const QUOTED = /;(ENCODING=)?QUOTED-PRINTABLE/i
const CHARSET = /;CHARSET=([\w-]+)/i
/** A property may stand in a group: "item1.TEL". */
const GROUP = /^[\w-]+\./

/** Signs that part values in a card of version 3. */
const escaped = (text: string) =>
  text
    .replace(/\\(?![\\;,nN])/g, '\\\\')
    .replace(/\r?\n/g, '\\n')
    .replace(/,/g, '\\,')
/** Bytes of quoted printable (RFC 2045, section 6.7): "=C3" is one, any plain letter itself. */
const quotedBytes = (value: string) =>
  Uint8Array.from(value.match(/=[\dA-F]{2}|[^]/gi) ?? [], (one) =>
    one.length > 1 ? Number.parseInt(one.slice(1), 16) : one.charCodeAt(0),
  )
/**
 * A line as a telephone of version 2.1 writes it, in the way of version 3: quoted printable is read,
 * a type without a name is given one.
 */
function modern(line: string): string {
  const colon = line.indexOf(':')
  if (colon < 0) return line
  const [name = '', ...more] = line.slice(0, colon).replace(GROUP, '').split(';')
  const head = `;${more.join(';')}`
  const value = line.slice(colon + 1)
  const kept = more
    .filter((one) => !/^(ENCODING=|CHARSET=|QUOTED-PRINTABLE|BASE64)/i.test(one))
    .map((one) => (one.includes('=') ? one : `TYPE=${one}`))
  if (!QUOTED.test(head)) return `${[name, ...kept].join(';')}:${value}`
  const bytes = quotedBytes(value)
  const charset = CHARSET.exec(head)?.[1] ?? 'utf-8'
  return `${[name, ...kept].join(';')}:${escaped(new TextDecoder(charset).decode(bytes))}`
}
/** Lines that go on: by a blank in the next, or by an equals sign at the end of quoted printable. */
function unfolded(card: string): string[] {
  const lines: string[] = []
  let open = false
  for (const line of card.split(/\r\n|\n|\r/)) {
    const last = lines.length - 1
    if (open) lines[last] = `${(lines[last] ?? '').slice(0, -1)}${line}`
    else if (/^[ \t]/.test(line)) lines[last] = `${lines[last] ?? ''}${line.slice(1)}`
    else lines.push(line)
    const whole = lines.at(-1) ?? ''
    open = whole.endsWith('=') && QUOTED.test(whole.slice(0, Math.max(0, whole.indexOf(':'))))
  }
  return lines
}
/** Pictures and the like are of no use here, and old ones are not told apart from the next line. */
const isOfUse = (line: string) =>
  /^([\w-]+\.)?(BEGIN|END|VERSION|FN|N|BDAY|TEL|EMAIL|TITLE|ORG|NOTE)[;:]/i.test(line)

function fieldsOf(card: string): Record<ImportField, string> {
  const text = unfolded(card).filter(isOfUse).map(modern).join('\r\n')
  const component = new ICAL.Component(ICAL.parse(text) as never)
  const of = (name: string) => {
    const value = component.getFirstPropertyValue(name) as unknown
    return value === null || value === undefined ? '' : String(value)
  }
  const parts = (component.getFirstPropertyValue('n') ?? []) as unknown
  const [last = '', first = ''] = (Array.isArray(parts) ? parts : String(parts).split(';')).map(
    String,
  )
  return {
    name: of('fn').trim(),
    first,
    last,
    born: of('bday').replaceAll('/', '-'),
    phone: of('tel').replace(/^tel:/, ''),
    email: of('email'),
    work: of('title'),
    medicines: '',
    notes: of('note'),
  }
}

/** Cards of vCard 2.1, 3 and 4, in the same shape as the rows of a CSV file. */
export function readVcards(text: string): ReadFile | undefined {
  const cards = [...text.matchAll(CARD)]
  if (cards.length === 0) return undefined
  return {
    headers: [...IMPORT_FIELDS],
    rows: cards.map(([card]) => {
      const fields = fieldsOf(card)
      return IMPORT_FIELDS.map((field) => fields[field])
    }),
    lines: cards.map(({ index }) => text.slice(0, index).split(/\r\n|\n|\r/).length),
  }
}

/** What a card says of a client; a birthday as an ISO day. */
export interface Card {
  id: string
  name: string
  born: string | null
  phone: string | null
  email: string | null
  work: string | null
}
/** Cards of vCard 4 (RFC 6350) for an address book: no word of health goes into it. */
export function writeVcards(people: readonly Card[]): string {
  const cards = people.map(({ id, name, born, phone, email, work }) => {
    const card = new ICAL.Component('vcard')
    const add = (property: string, value: string | null) => {
      if (value) card.addPropertyWithValue(property, value)
    }
    add('version', '4.0')
    add('uid', `urn:uuid:${id}`)
    add('fn', name)
    add('bday', born?.replaceAll('-', '') ?? null)
    if (phone) card.addPropertyWithValue('tel', phone).setParameter('value', 'text')
    add('email', email)
    add('title', work)
    return card.toString()
  })
  return cards.map((card) => `${foldLines(card)}\r\n`).join('')
}
