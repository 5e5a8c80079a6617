import { GENESIS, verify, type SealedItem } from './seal'
import { AMENDMENTS_BEGIN, amendmentHolds, type AmendmentLink } from './amendment'

/** A seal as it is kept, with who sealed and when beside it. */
export interface SealRow {
  number: number
  prev: string
  head: string
  by: string
  at: Date
  items: readonly SealedItem[]
}
/** The part of a record that says who sealed it, when, and which seal it is. */
export const SEALED_PART = 'sealed'
/** The part of a record that says its own number, by whom and when it was sealed. */
export const sealedPart = ({ number, by, at }: Pick<SealRow, 'number' | 'by' | 'at'>) => ({
  name: SEALED_PART,
  content: { number, by, at: at.toISOString() },
})

/** Seals from before this part was sealed too say nothing of themselves, and stand as they are. */
function saysItself(row: SealRow): boolean {
  const said = row.items.find((item) => item.name === SEALED_PART)
  if (!said) return true
  const { content } = sealedPart(row)
  const own = said.content as typeof content | null
  return own?.number === content.number && own.by === content.by && own.at === content.at
}

export interface Walk {
  walked: number
  /** The head so far. */
  prev: string
  /** Number of the first that does not stand. */
  broken: number | null
  erasedParts: number
}
export const WALK_BEGINS: Walk = { walked: 0, prev: GENESIS, broken: null, erasedParts: 0 }

/** Walks on over some seals, each on the one before; stops at the first that does not stand. */
export function walkSeals(from: Walk, rows: readonly SealRow[]): Walk {
  const walk = { ...from }
  for (const row of rows) {
    const proof = verify(row)
    if (!proof.ok || row.prev !== walk.prev || row.number !== walk.walked + 1 || !saysItself(row))
      return { ...walk, broken: row.number }
    walk.erasedParts += proof.erased.length
    walk.prev = row.head
    walk.walked = row.number
  }
  return walk
}

/** Walks all amendments of a practice in their order. */
export function walkAmendments(rows: readonly AmendmentLink[]): Omit<Walk, 'erasedParts'> {
  const walk: Omit<Walk, 'erasedParts'> = { walked: 0, prev: AMENDMENTS_BEGIN, broken: null }
  for (const row of rows) {
    if (!amendmentHolds(row, walk.prev, walk.walked + 1)) return { ...walk, broken: row.number }
    walk.prev = row.head
    walk.walked = row.number
  }
  return walk
}
