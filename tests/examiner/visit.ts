import type { LicenceId } from '#core/catalogue/kinds'
import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import type { Lot, Product } from '#core/catalogue/products/products'
import type { HousePolicy, SchoolId } from '#core/catalogue/schools/schools'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { RegionId, ZoneId } from '#core/face/zones'
import type { PastWork } from '#core/load/rest'
import type { Profile } from '#core/skin/profile'

/** What a client said to one question. */
export interface Told {
  say: 'yes' | 'no' | 'unsure'
  date?: string
  at?: number
  zones?: readonly ZoneId[]
  substances?: readonly string[]
  work?: readonly string[]
}

/** A visit as somebody sees it who stands beside the couch with the file in hand. */
export interface Visit {
  today: string
  daylight: boolean
  slotMinutes: number
  makeUp: readonly MakeUpId[]
  profile: Profile
  answers: Readonly<Record<string, Told | undefined>>
  past: readonly PastWork[]
  /** How the skin took the last visit, where it was too much for it. */
  lastTime?: 'tooMuch'
  usedBefore: readonly string[]
  firstVisit: boolean
  residual: Readonly<Record<RegionId, number>>
  shelf: readonly { product: Product; lots: readonly Lot[] }[]
  patch: Readonly<Record<string, string>>
  suspected: Readonly<Record<string, string>>
  devices: readonly string[]
  licences: readonly LicenceId[]
  school: SchoolId
  /** The house's own ways, and what it does not offer. */
  policy?: HousePolicy
  life?: Readonly<Record<string, string | undefined>>
  aims: readonly string[]
}

/** What is wrong with a plan: where, and in a therapist's words. */
export interface Complaint {
  key?: string
  says: string
}
export type Steps = readonly PlanStep[]
