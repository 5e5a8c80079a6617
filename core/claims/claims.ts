import {
  CLAIMS,
  PERCENT_CLAIM,
  PERCENT_FREED,
  type ClaimGrade,
  type ClaimRow,
} from '../catalogue/rules/claims'

/** A claim that was found in a text: its words as they stand there, why, and what to say instead. */
export interface Claim {
  rule: string
  grade: ClaimGrade
  said: string
  why: string
  instead: string
}

const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
/** A word by itself, or the beginning of one where a star stands. */
const asPattern = (word: string): RegExp => {
  const [stem = '', open] = word.endsWith('*') ? [word.slice(0, -1), true] : [word, false]
  const spaced = escaped(stem).replaceAll(' ', '\\s+')
  return new RegExp(`(?<![\\p{L}-])${spaced}${open ? '\\p{L}*' : '(?![\\p{L}-])'}`, 'iu')
}
const PATTERNS = CLAIMS.map((row) => ({ row, patterns: row.words.map(asPattern) }))
const PERCENT = /[^.!?\n]*\b\d+(?:[.,]\d+)?\s?%[^.!?\n]*/gu

/** Each claim in a text that is meant for clients, once a rule, in the order of the rules. */
export function claimsIn(text: string): Claim[] {
  const worded = PATTERNS.flatMap(({ row, patterns }): Claim[] => {
    const said = patterns.flatMap((pattern) => pattern.exec(text)?.[0] ?? [])[0]
    return said === undefined ? [] : [found(row, said)]
  })
  return [...worded, ...percentIn(text)]
}

const found = ({ id, grade, why, instead }: Omit<ClaimRow, 'words'>, said: string): Claim => ({
  ...{ rule: id, grade, said, why, instead },
})

/** A percentage in a sentence that names no source. */
function percentIn(text: string): Claim[] {
  const bare = [...text.matchAll(PERCENT)].find(
    ([sentence]) => !PERCENT_FREED.some((word) => asPattern(word).test(sentence)),
  )
  return bare ? [found(PERCENT_CLAIM, bare[0].trim())] : []
}

/** A text with the words of a claim put right. */
export const putRight = (text: string, { said, instead }: Claim): string =>
  text.replace(said, () => instead)
