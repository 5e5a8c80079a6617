import { amendmentHolds } from './amendment'
import { verify, type SealedItem } from './seal'
import { SEALED_PART } from './walk'

/** What of an exported visit its seal has to answer for. */
interface SealedFile {
  practice: { name: string }
  client: { name: string; born: string | null }
  visit: { id: string; startsAt: string; minutes: number; therapist: string; room: string }
  seal: { prev: string; head: string; number: number; sealedAt: string }
  parts: readonly { name: string; commitment: string; salt: string | null; content: unknown }[]
  amendments: readonly {
    at: string
    before: string
    after: string
    reason: string
    proof?:
      | {
          id: string
          byId: string
          prev: string
          head: string
          commitment: string
          salt: string
        }
      | undefined
  }[]
}

/** What differs from what was sealed, said. */
export const unlikeWords = (what: string): string => `Not as it was sealed: the ${what}.`

/**
 * What of a file is not what was sealed: a part, the chain, or anything that stands beside the parts
 * and says otherwise than they do; in words. Empty where the seal answers for all of it.
 */
export function unlikeSeal(file: SealedFile): string {
  const items = file.parts.map((part): SealedItem => ({
    name: part.name,
    commitment: part.commitment,
    salt: part.salt,
    content: part.salt === null ? null : part.content,
  }))
  const { prev, head } = file.seal
  const proof = verify({ prev, head, items })
  if (!proof.ok) return unlikeWords(proof.at)
  return headTrouble(file) || amendmentTrouble(file)
}

const contentOf = ({ parts }: SealedFile, name: string) =>
  parts.find((part) => part.name === name)?.content as Record<string, unknown> | null | undefined

/** The head of the file is only words: what was sealed says where, when, who and by whom. */
function headTrouble(file: SealedFile): string {
  const sealed = contentOf(file, 'visit')
  if (!sealed) return 'Whose visit it was, and when, is not in the sealed parts.'
  const { visit, client, practice, seal } = file
  const said: readonly (readonly [string, unknown, unknown])[] = [
    ['house', practice.name, sealed.practice],
    ['client', client.name, sealed.client],
    ['visit', visit.id, sealed.id],
    ['moment', visit.startsAt, sealed.startsAt],
    ['length', visit.minutes, sealed.minutes],
    ['therapist', visit.therapist, sealed.therapist],
    ['room', visit.room, sealed.room],
    // Records of earlier versions do not seal the birthday.
    ...('born' in sealed ? [['birthday', client.born, sealed.born] as const] : []),
  ]
  const own = contentOf(file, SEALED_PART)
  const made: readonly (readonly [string, unknown, unknown])[] = own
    ? [
        ['number of the seal', seal.number, own.number],
        ['moment of the seal', seal.sealedAt, own.at],
      ]
    : []
  const unlike = [...said, ...made].find(([, here, there]) => here !== there)
  return unlike ? unlikeWords(unlike[0]) : ''
}

/** Each amendment says what it said when it was made, on this seal. */
function amendmentTrouble({ amendments, seal }: SealedFile): string {
  const bad = amendments.some(({ proof, at, before, after, reason }) => {
    if (!proof) return true
    const { id, byId: by, prev, head, commitment, salt } = proof
    const said = { id, seal: seal.head, before, after, reason, by, at }
    return !amendmentHolds({ number: 1, prev, head, commitment, salt, said }, prev, 1)
  })
  return bad ? 'An amendment is not what was said when it was made.' : ''
}
