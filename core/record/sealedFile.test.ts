import { describe, expect, it } from 'vitest'
import { amended } from './amendment'
import { GENESIS, seal } from './seal'
import { unlikeSeal } from './sealedFile'
import { SEALED_PART } from './walk'

const AT = '2026-03-10T10:00:00.000Z'
const VISIT = {
  id: 'v1',
  startsAt: '2026-03-10T09:00:00.000Z',
  minutes: 60,
  client: 'A client',
  born: '1990-01-01',
  therapist: 'T',
  room: 'R',
  practice: 'A house',
}
const salt = (digit: number) => String(digit % 10).repeat(64)
/** A visit as it is exported: sealed, with one amendment. */
function file() {
  const own = { number: 3, by: 'T', at: AT }
  const parts = [
    { name: 'visit', content: VISIT },
    { name: 'notes', content: 'calm skin' },
    { name: SEALED_PART, content: own },
  ]
  const sealed = seal(
    parts,
    parts.map((_, i) => salt(i)),
    GENESIS,
  )
  const said = { id: 'a1', before: 'one', after: 'two', reason: 'a slip', by: 'T' }
  const made = amended({ ...said, seal: sealed.head, at: AT }, salt(7), undefined)
  const { id, by: byId, ...words } = said
  const { prev, head, commitment } = made
  return {
    practice: { name: VISIT.practice },
    client: { name: VISIT.client, born: VISIT.born },
    visit: {
      id: VISIT.id,
      startsAt: VISIT.startsAt,
      minutes: VISIT.minutes,
      therapist: VISIT.therapist,
      room: VISIT.room,
    },
    seal: { number: 3, prev: sealed.prev, head: sealed.head, sealedAt: AT },
    parts: sealed.items.map((item) => ({ ...item })),
    amendments: [{ ...words, at: AT, proof: { id, byId, prev, head, commitment, salt: salt(7) } }],
  }
}
type File = ReturnType<typeof file>

describe('a sealed visit as a file', () => {
  it('stands as it was made', () => {
    expect(unlikeSeal(file())).toBe('')
  })
  it('stands where a part was erased: what is gone says nothing else', () => {
    const own = file()
    const parts = own.parts.map((part) =>
      part.name === 'notes' ? { ...part, salt: null, content: null } : part,
    )
    expect(unlikeSeal({ ...own, parts })).toBe('')
  })
  it.each<[string, (own: File) => File]>([
    ['the words of a part', (own) => withPart(own, 'notes', 'red skin')],
    ['the house', (own) => ({ ...own, practice: { name: 'Another' } })],
    ['the client', (own) => ({ ...own, client: { ...own.client, name: 'B' } })],
    ['the birthday', (own) => ({ ...own, client: { ...own.client, born: '1991-01-01' } })],
    ['the moment', (own) => ({ ...own, visit: { ...own.visit, startsAt: AT } })],
    ['the length', (own) => ({ ...own, visit: { ...own.visit, minutes: 90 } })],
    ['the therapist', (own) => ({ ...own, visit: { ...own.visit, therapist: 'U' } })],
    ['the room', (own) => ({ ...own, visit: { ...own.visit, room: 'S' } })],
    ['the number of the seal', (own) => ({ ...own, seal: { ...own.seal, number: 4 } })],
    ['when it was sealed', (own) => ({ ...own, seal: { ...own.seal, sealedAt: VISIT.startsAt } })],
    [
      'what an amendment says',
      (own) => ({ ...own, amendments: own.amendments.map((one) => ({ ...one, after: 'three' })) }),
    ],
    [
      'an amendment without its proof',
      (own) => ({
        ...own,
        amendments: own.amendments.map(({ proof: _, ...one }) => one as File['amendments'][0]),
      }),
    ],
  ])('is not what was sealed once %s is changed', (_, change) => {
    expect(unlikeSeal(change(file()))).not.toBe('')
  })
})

const withPart = (own: File, name: string, content: unknown): File => ({
  ...own,
  parts: own.parts.map((part) => (part.name === name ? { ...part, content } : part)),
})
