import { z } from 'zod'
import type { CallDue } from '#contracts/day'
import type { Poured } from '#core/load/ledger'
import type { Earliest } from '#core/screening/verdict/earliest'
import type { PastReaction } from '#core/screening/products/reactions'
import type { Answers } from '#core/screening/asking/answers'
import type { VisitStatus } from '#core/visit/status'

/** One visit in a client's file. */
export interface FileVisit {
  id: string
  startsAt: number
  minutes: number
  status: VisitStatus
  staff: string
  /** What was done, in a word or two, once its record is sealed. */
  work: string | null
  /** How and why it fell away, if it did. */
  fellAway: 'calledOff' | 'noShow' | null
  because: string | null
}
/** Which page of a client's visits, from 1. */
export const fileVisitsQuery = z.object({
  page: z.coerce.number().int('a whole number').min(1, 'from 1').max(100_000).default(1),
})
/** A page of a client's visits. */
export interface FileVisits {
  visits: FileVisit[]
  total: number
  page: number
  pages: number
}
/** A visit that was taken in from a file. */
export interface FileImport {
  id: string
  head: string
  holds: boolean
  ours: boolean
  at: number
  house: string
  startsAt: string
}

/** A client's file: who they are, what stands on top, past and next visits, the ledger. */
export interface ClientFile {
  now: number
  today: string
  timeZone: string
  client: {
    id: string
    name: string
    born: string | null
    age: number | null
    phone: string | null
    email: string | null
    work: string | null
    medicines: string
    notes: string
    faceHeightMm: number
    faceWidthMm: number
    version: number
    erased: boolean
  }
  answers: Answers | null
  /** Reactions that no patch test has cleared up. */
  reactions: PastReaction[]
  toldAt: number | null
  /** Calls that are due or will be, until they are made. */
  calls: CallDue[]
  /** Kinds of work that wait, and until which day. */
  waits: Earliest[]
  /** The first page of them. */
  visits: FileVisits
  next: { id: string; startsAt: number; minutes: number; room: string; staff: string } | null
  poured: Poured[]
  imports: FileImport[]
}
