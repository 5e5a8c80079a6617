/**
 * What a scanner reads off a bottle. Many makers print a GS1 code: pieces that each begin with an
 * identifier, of a fixed length or ended by a separator. Source: GS1 General Specifications, sections 3
 * and 7 (values from memory). Anything else is the bottle's code as it stands.
 */
export interface Scanned {
  /** Lot or batch, as it is printed. */
  code: string
  /** ISO day that it is good until. */
  expires?: string
}

/** Identifiers that makers of bottles use: the length of what follows; none: up to the separator. */
const PIECES: Readonly<Record<string, { length?: number; means?: 'code' | 'expires' }>> = {
  '01': { length: 14 },
  '11': { length: 6 },
  '15': { length: 6, means: 'expires' },
  '17': { length: 6, means: 'expires' },
  '10': { means: 'code' },
  '21': {},
}
const IDENTIFIER = 2
const DATE = { year: 0, month: 2, day: 4, end: 6, century: '20' } as const
/** Ends a piece of no fixed length, as a scanner that types sends it. */
const SEPARATOR = '\u001d'

/** A code as it was scanned or typed. */
export function scanned(typed: string): Scanned {
  const text = typed.trim()
  return (text.startsWith('(') ? inBrackets(text) : inARow(text)) ?? { code: text }
}

/** "(17)270331(10)A12": identifiers in brackets, as they are printed under the code. */
function inBrackets(text: string): Scanned | undefined {
  const pieces = [...text.matchAll(/\((\d{2})\)([^(]*)/g)].map(
    ([, id = '', value = '']) => [id, value.trim()] as const,
  )
  return told(pieces)
}

function inARow(text: string): Scanned | undefined {
  const pieces: [string, string][] = []
  let at = text.startsWith(SEPARATOR) ? 1 : 0
  while (at < text.length) {
    const id = text.slice(at, at + IDENTIFIER)
    const piece = PIECES[id]
    if (!piece) return undefined
    const from = at + IDENTIFIER
    const ended = text.indexOf(SEPARATOR, from)
    const free = ended === -1 ? text.length : ended
    const to = piece.length === undefined ? free : from + piece.length
    if (to > text.length) return undefined
    pieces.push([id, text.slice(from, to)])
    at = text[to] === SEPARATOR ? to + 1 : to
  }
  return told(pieces)
}

/** Only what names a lot is taken for such a code: a plain code may begin with the same digits. */
function told(pieces: readonly (readonly [string, string])[]): Scanned | undefined {
  const of = (means: 'code' | 'expires') => pieces.find(([id]) => PIECES[id]?.means === means)?.[1]
  const code = of('code')
  if (!code || pieces.length < 2) return undefined
  const raw = of('expires')
  const expires = raw === undefined ? undefined : dayOf(raw)
  if (raw !== undefined && !expires) return undefined
  return { code, ...(expires ? { expires } : {}) }
}

/** YYMMDD as an ISO day; day 00 is the last of its month. */
function dayOf(text: string): string | undefined {
  if (!/^\d{6}$/.test(text)) return undefined
  const year = Number(DATE.century + text.slice(DATE.year, DATE.month))
  const month = Number(text.slice(DATE.month, DATE.day))
  const day = Number(text.slice(DATE.day, DATE.end))
  const whole =
    day === 0 ? new Date(Date.UTC(year, month, 0)) : new Date(Date.UTC(year, month - 1, day))
  const fits =
    day === 0
      ? month >= 1 && whole.getUTCMonth() === month - 1
      : whole.getUTCDate() === day && whole.getUTCMonth() === month - 1
  return fits ? whole.toISOString().slice(0, 'YYYY-MM-DD'.length) : undefined
}
