import { eq } from 'drizzle-orm'
import type { ChainStep, HeadCheck } from '#contracts/replies/practice'
import { AMENDMENTS_BEGIN } from '#core/record/amendment'
import { GENESIS } from '#core/record/seal'
import { heldAgainst, readHead, signHead } from '#core/record/signedHead'
import { walkAmendments, walkSeals } from '#core/record/walk'
import { amendmentLinks, headsAt, sealRows } from '#db/chainRows'
import { seals } from '#db/schema'
import { refused } from '../problem/problem'
import { database } from './database'

/** Seals looked at in one request: a few hundredths of a second of hashing. */
const STEP = 200

/**
 * Walks a stretch of the practice's chain: each seal stands on the one before, each part fits its
 * commitment or has been erased, who sealed it and when is what was sealed; with the last stretch
 * the amendments. Called again from where it ended, so that no request walks all.
 * @param after the number of the last seal that was walked; 0 begins
 */
export async function verifyChainStep(after: number): Promise<ChainStep> {
  const db = database()
  const [[before], rows, now] = await Promise.all([
    db.select({ head: seals.head }).from(seals).where(eq(seals.number, after)),
    sealRows(db, after, STEP),
    headsAt(db, { seals: 0, amendments: 0 }),
  ])
  const prev = after === 0 ? GENESIS : (before?.head ?? '')
  const walk = walkSeals({ walked: after, prev, broken: null, erasedParts: 0 }, rows)
  const done = walk.broken !== null || rows.length < STEP
  const amended = done ? walkAmendments(await amendmentLinks(db)) : undefined
  return {
    total: now.seals,
    walked: walk.walked,
    broken: walk.broken,
    brokenAmendment: amended?.broken ?? null,
    amendments: now.amendments,
    erasedParts: walk.erasedParts,
    head: walk.prev,
    done,
  }
}

const key = () => useRuntimeConfig().sessionPassword

/** How far the chains go now, signed: to be printed and kept apart from the house. */
export async function signedHeadNow(): Promise<{ line: string }> {
  const db = database()
  const { seals: sealed, amendments } = await headsAt(db, { seals: 0, amendments: 0 })
  const { head, amendmentsHead } = await headsAt(db, { seals: sealed, amendments })
  const at = new Date().toISOString()
  const now = {
    ...{ at, seals: sealed, head: head ?? GENESIS },
    ...{ amendments, amendmentsHead: amendmentsHead ?? AMENDMENTS_BEGIN },
  }
  return { line: signHead(now, key()) }
}

/** Holds a line that was kept apart against what stands here. */
export async function checkHead(line: string): Promise<HeadCheck> {
  const kept = readHead(line, key())
  if (!kept)
    throw refused('This line was not signed here, or it was altered.', [
      { field: 'line', given: line, allowed: 'a line as it was printed here' },
    ])
  const now = await headsAt(database(), kept)
  return heldAgainst(kept, {
    ...now,
    head: kept.seals === 0 ? GENESIS : now.head,
    amendmentsHead: kept.amendments === 0 ? AMENDMENTS_BEGIN : now.amendmentsHead,
  })
}
