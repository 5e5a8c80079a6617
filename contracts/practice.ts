import { z } from 'zod'
import type { LicenceId } from '#core/catalogue/kinds'
import type { Tightening } from '#core/screening/verdict/houseRules'
import type { ScopeLine } from '#core/screening/verdict/scope'
import { said } from './common'

/** From which seal on the chain is walked; 0 begins at the first. */
export const chainQuery = z.object({
  after: z.coerce.number().int('a whole number').min(0).max(2_000_000_000).default(0),
})

/** A line as it was printed: how far the chains went on a day, signed. */
export const headPost = z.strictObject({ line: said(600) })
export interface HeadCheck {
  holds: boolean
  text: string
}

/** A stretch of the chain of seals that was walked. */
export interface ChainStep {
  /** How many seals there are in all. */
  total: number
  /** The number of the last seal that stands, as far as was walked. */
  walked: number
  /** The number of the first seal that does not stand. */
  broken: number | null
  /** With the last stretch: the number of the first amendment that does not stand. */
  brokenAmendment: number | null
  amendments: number
  /** Parts in this stretch that were erased. */
  erasedParts: number
  /** The chain's head after the last seal that stands. */
  head: string
  /** Nothing more is to be walked. */
  done: boolean
}

export interface PracticePage {
  house: {
    name: string
    address: string
    phone: string
    emergency: string
    timeZone: string
    retentionYears: number
    cleaningMinutes: number
    allows: LicenceId[]
  }
  people: {
    id: string
    name: string
    email: string
    role: string
    licences: LicenceId[]
    licenceUntil: Partial<Record<LicenceId, string>>
    licenceNotes: Partial<Record<LicenceId, string>>
    scope: ScopeLine[]
    active: boolean
  }[]
  rules: {
    id: string
    rule: string
    change: Tightening
    reason: string
    by: string
    at: number
    ended: number | null
  }[]
  /** When the house was backed up last; null where it never was. */
  lastBackup: number | null
}
