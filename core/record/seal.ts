import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { canonical } from './canonical'

/**
 * A part of the record with the salt that hides it. Erasing a client's data drops `content` and
 * `salt`; the commitment stays.
 */
export interface SealedItem {
  name: string
  commitment: string
  content: unknown
  salt: string | null
}
export interface Seal {
  prev: string
  head: string
  items: readonly SealedItem[]
}

/** What hashes on the machine itself, where there is one; a browser has none that answers at once. */
const { getBuiltinModule } = (globalThis.process ?? {}) as Partial<typeof process>
const ownHash = getBuiltinModule?.('node:crypto')

/** SHA-256 of a text, hex; by the platform's own hash where there is one, the same by the library. */
export const digest = (text: string): string =>
  ownHash ? ownHash.createHash('sha256').update(text).digest('hex') : digestByLibrary(text)
/** The same in any browser. */
export const digestByLibrary = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)))
/** The head before the first seal of a practice. */
export const GENESIS = digest('oak-basin/record/1')

/**
 * SHA-256 over salt, name and canonical content. The salt keeps short contents from being guessed
 * back out of the commitment.
 */
export function commit(name: string, content: unknown, salt: string): string {
  return digest(`item\n${salt}\n${name}\n${canonical(content)}`)
}

/** One link: the head so far and the next commitment. */
export function link(head: string, name: string, commitment: string): string {
  return digest(`link\n${head}\n${name}\n${commitment}`)
}

/**
 * Seals the parts of a record in order, on top of the practice's last head.
 * @param salts one random salt a part, at least 128 bits as hex
 * @throws RangeError when a salt is missing or too short
 */
export function seal(
  parts: readonly { name: string; content: unknown }[],
  salts: readonly string[],
  prev: string,
): Seal {
  let head = prev
  const items = parts.map((part, i): SealedItem => {
    const salt = salts[i]
    if (salt === undefined || !/^[0-9a-f]{32,}$/.test(salt))
      throw new RangeError('each part needs a salt of at least 128 bits')
    const commitment = commit(part.name, part.content, salt)
    head = link(head, part.name, commitment)
    return { name: part.name, commitment, content: part.content, salt }
  })
  return { prev, head, items }
}

type Proof = { ok: true; erased: readonly string[] } | { ok: false; at: string }

/**
 * Whether a seal still stands: every part that is there matches its commitment, and the commitments
 * lead from `prev` to `head`.
 */
export function verify(seal: Seal): Proof {
  let head = seal.prev
  const erased: string[] = []
  for (const item of seal.items) {
    // Erasure drops the salt with the content; a content that went alone was tampered with.
    if (item.salt === null && item.content === null) erased.push(item.name)
    else if (item.salt === null) return { ok: false, at: item.name }
    else if (commit(item.name, item.content, item.salt) !== item.commitment)
      return { ok: false, at: item.name }
    head = link(head, item.name, item.commitment)
  }
  return head === seal.head ? { ok: true, erased } : { ok: false, at: 'head' }
}
