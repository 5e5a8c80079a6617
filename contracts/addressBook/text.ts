import { detect } from 'chardet'

/**
 * Encodings an ordinary office or telephone writes, the likeliest first; named as the Encoding
 * Standard does.
 */
export const ENCODINGS = {
  'utf-8': 'Unicode (UTF-8)',
  'windows-1252': 'Western Europe (Windows)',
  'windows-1250': 'Central Europe (Windows)',
  macintosh: 'Western Europe (Mac)',
  'utf-16le': 'Unicode (UTF-16)',
  'utf-16be': 'Unicode (UTF-16, big-endian)',
} as const
export type Encoding = keyof typeof ENCODINGS
export const ENCODING_IDS = Object.keys(ENCODINGS) as Encoding[]

/** Sets of one byte a letter, the likeliest first: nothing in the bytes themselves tells them apart. */
const ONE_BYTE = ['windows-1252', 'windows-1250', 'macintosh'] as const
/** Accented letters by language: those of one word come from one of them. */
const ALPHABETS = [
  'äöüß',
  'éèêëàâîïôùûüçœ',
  'áéíóúñü',
  'åäöéü',
  'æøåéö',
  'àèéìòù',
  'ãõáâàéêíóôúç',
  'ëïéèöü',
  'áčďéěíňóřšťúůýž',
  'ąćęłńóśźż',
  'áéíóöőúüű',
  'äáčďéíĺľňóôŕšťúýž',
].map((letters) => new Set(letters))
const USUAL_SIGNS = /[’‘“”„«»–—€°·§]/g
const PLAIN = /[\x20-\x7E\s]/
const decode = (bytes: Uint8Array, encoding: Encoding, fatal = false) =>
  new TextDecoder(encoding, { fatal }).decode(bytes)

/** Letters of a word that no one language has together, and capitals in its middle. */
function oddIn(word: string): number {
  const letters = [...word.toLowerCase()].filter((letter) => !PLAIN.test(letter))
  const foreign = ALPHABETS.map((own) => letters.filter((letter) => !own.has(letter)).length)
  const capitals = /\p{Ll}/u.test(word)
    ? [...word.slice(1)].filter((letter) => /\p{Lu}/u.test(letter) && !PLAIN.test(letter)).length
    : 0
  return Math.min(...foreign) + capitals
}
/** How much of a text looks like a wrong guess. */
function oddities(text: string): number {
  const words = text.match(/\p{L}+/gu) ?? []
  const signs = [...text.replace(USUAL_SIGNS, '').replace(/\p{L}/gu, '')]
  return (
    words.reduce((sum, word) => sum + oddIn(word), 0) +
    signs.filter((sign) => !PLAIN.test(sign)).length
  )
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    decode(bytes, 'utf-8', true)
    return true
  } catch {
    return false
  }
}
/** @returns the encoding a file was most likely written in */
export function encodingOf(bytes: Uint8Array): Encoding {
  const found = detect(bytes)?.toLowerCase()
  if (found === 'utf-16le' || found === 'utf-16be') return found
  if (isUtf8(bytes)) return 'utf-8'
  const [likeliest] = ONE_BYTE.map((encoding) => ({
    encoding,
    odd: oddities(decode(bytes, encoding)),
  })).toSorted((one, other) => one.odd - other.odd)
  return likeliest?.encoding ?? 'windows-1252'
}

/** The text of a file without its byte order mark. */
export const textOf = (bytes: Uint8Array, encoding: Encoding): string =>
  decode(bytes, encoding).replace(/^\uFEFF/, '')
