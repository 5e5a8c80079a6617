import { commit, digest, link } from './seal'

/** What is changed in a sealed record, in the open: on which seal, both texts, why, who and when. */
interface AmendmentSaid {
  id: string
  /** Head of the seal it stands on. */
  seal: string
  before: string
  after: string
  reason: string
  by: string
  /** ISO 8601. */
  at: string
}
/** An amendment as it is kept. Erasing drops what was said and the salt; the commitment stays. */
export interface AmendmentLink {
  number: number
  prev: string
  head: string
  commitment: string
  salt: string | null
  said: AmendmentSaid | null
}
const NAME = 'amendment'
/** The head before the first amendment of a practice. */
export const AMENDMENTS_BEGIN = digest('oak-basin/amendments/1')

/** One more amendment on top of the last. @param salt at least 128 bits as hex */
export function amended(
  said: AmendmentSaid,
  salt: string,
  last: { number: number; head: string } | undefined,
): AmendmentLink {
  const prev = last?.head ?? AMENDMENTS_BEGIN
  const commitment = commit(NAME, said, salt)
  const head = link(prev, NAME, commitment)
  return { number: (last?.number ?? 0) + 1, prev, head, commitment, salt, said }
}

/** Whether an amendment stands on the one before it and says what it said. */
export function amendmentHolds(row: AmendmentLink, prev: string, number: number): boolean {
  if (row.number !== number || row.prev !== prev) return false
  if (link(prev, NAME, row.commitment) !== row.head) return false
  // Erasure drops the salt with the words; words that went alone were tampered with.
  if (row.salt === null) return row.said === null
  return row.said !== null && commit(NAME, row.said, row.salt) === row.commitment
}
