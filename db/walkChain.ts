import { AMENDMENTS_BEGIN } from '#core/record/amendment'
import { GENESIS } from '#core/record/seal'
import { heldAgainst, readHead } from '#core/record/signedHead'
import { walkAmendments, walkSeals, WALK_BEGINS, type Walk } from '#core/record/walk'
import { amendmentLinks, headsAt, sealCount, sealRows } from './chainRows'
import { withOwner } from './owner'

/** Seals held in memory at a time. */
const STRETCH = 500

/**
 * Walks every seal and amendment of a house, one after the other, as the owner of the tables: for
 * the tool at the terminal, which needs no running server.
 * @param branch the practice whose chain it is
 * @param far is told how many seals are walked, of how many
 * @returns how many hold, and the number of the first seal or amendment that does not
 */
export async function walkChain(
  url: string,
  branch: string,
  far: (done: number, whole: number) => void = () => {},
) {
  return withOwner(
    url,
    async (db) => {
      const whole = await sealCount(db)
      let walk: Walk = WALK_BEGINS
      for (;;) {
        const rows = await sealRows(db, walk.walked, STRETCH)
        walk = walkSeals(walk, rows)
        far(walk.walked, whole)
        if (walk.broken !== null || rows.length < STRETCH) break
      }
      const amended = walkAmendments(await amendmentLinks(db))
      const { walked, broken } = walk
      const head = walked === 0 ? null : walk.prev
      return { walked, broken, head, amendments: amended.walked, brokenAmendment: amended.broken }
    },
    branch,
  )
}

/**
 * Holds a line that was printed and kept apart against the house.
 * @param key the secret with which the house signs
 * @param branch the practice whose chains it is held against
 * @returns nothing where the house did not sign it
 */
export async function holdAgainst(url: string, line: string, key: string, branch: string) {
  const kept = readHead(line, key)
  if (!kept) return undefined
  return withOwner(
    url,
    async (db) => {
      const now = await headsAt(db, kept)
      return heldAgainst(kept, {
        ...now,
        head: kept.seals === 0 ? GENESIS : now.head,
        amendmentsHead: kept.amendments === 0 ? AMENDMENTS_BEGIN : now.amendmentsHead,
      })
    },
    branch,
  )
}
