import { hmac } from '@noble/hashes/hmac.js'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'

/** How many seals and amendments there are at a moment, and the head of each chain. */
interface ChainHead {
  /** ISO 8601. */
  at: string
  seals: number
  head: string
  amendments: number
  amendmentsHead: string
}
const KIND = 'oak-basin/head/1'

const wordsOf = (head: ChainHead) =>
  [KIND, head.at, head.seals, head.head, head.amendments, head.amendmentsHead].join(' ')
const signature = (words: string, key: string) =>
  bytesToHex(hmac(sha256, utf8ToBytes(`signed head\n${key}`), utf8ToBytes(words)))

/**
 * A line to print and keep apart. Whoever cuts the end off the chain, or the whole of it, cannot
 * make the line fit again.
 * @param key a secret of the house
 */
export function signHead(head: ChainHead, key: string): string {
  const words = wordsOf(head)
  return `${words} ${signature(words, key)}`
}

/** What a line says, if this house signed it; undefined for anything else. */
export function readHead(line: string, key: string): ChainHead | undefined {
  const [kind, at = '', seals, head = '', amendments, amendmentsHead = '', signed, more] = line
    .trim()
    .split(/\s+/)
  const said = { at, seals: Number(seals), head, amendments: Number(amendments), amendmentsHead }
  if (kind !== KIND || more !== undefined || !Number.isInteger(said.seals)) return undefined
  return signature(wordsOf(said), key) === signed ? said : undefined
}

/** The heads that stand at the numbers a line names, as the house holds them now. */
interface StandingHeads {
  seals: number
  head: string | undefined
  amendments: number
  amendmentsHead: string | undefined
}
/** What a kept line tells of the house as it is now, in words; `holds` when nothing is gone. */
export function heldAgainst(kept: ChainHead, now: StandingHeads): { holds: boolean; text: string } {
  const day = kept.at.slice(0, 10)
  if (now.seals < kept.seals)
    return {
      holds: false,
      text: `On ${day} there were ${kept.seals} seals; ${kept.seals - now.seals} of them are gone.`,
    }
  if (now.amendments < kept.amendments)
    return {
      holds: false,
      text: `On ${day} there were ${kept.amendments} amendments; ${kept.amendments - now.amendments} of them are gone.`,
    }
  if (now.head !== kept.head || now.amendmentsHead !== kept.amendmentsHead)
    return { holds: false, text: `What was sealed up to ${day} is not what is stored here now.` }
  return { holds: true, text: `All that was sealed up to ${day} is unchanged.` }
}
