import type { DeviceInUse, ShelfItem } from '../planning/input'
import type { ConcernId, LicenceId } from '../catalogue/kinds'
import type { DeviceKey } from '../catalogue/techniques/ownShapes'
import type { HousePolicy, SchoolId } from '../catalogue/schools/schools'
import type { PlanStep, ProtocolStep } from '../catalogue/techniques/step'
import type { ToolId } from '../catalogue/techniques/tools'
import type { OwnWay, TechniqueId } from '../catalogue/techniques/techniques'
import type { ZoneId } from '../face/zones'
import type { MeterKind } from '../catalogue/skin/meters'
import type { Poured } from '../load/ledger'
import type { PastWork, Taken } from '../load/rest'
import type { Answers } from '../screening/asking/answers'
import type { Preferences } from '../catalogue/consultation/preferences'
import type { Signature, Withdrawal } from '../screening/consent/consent'
import type { HouseRule } from '../screening/verdict/houseRules'
import type { Lift } from '../screening/verdict/lifts'
import type { PatchTest } from '../screening/products/patch'
import type { PastReaction } from '../screening/products/reactions'
import type { AskAgain } from '../screening/asking/retest'
import type { ScopeLine } from '../screening/verdict/scope'
import type { MakeUpId } from '../catalogue/consultation/makeUp'
import type { HalfFace } from '../skin/halves'
import type { WholeReading } from '../skin/notes'
import type { Readings } from '../skin/readings'
import type { TreatmentEvent } from '../treatment/taps/events'
import type { Learned } from '../dosing/learned'
import type { OpenHalf } from './halves'
import type { HomeAsked } from '../home/asked'
import type { LastTime } from './lastTime'
import type { Role } from './roles'
import type { VisitStatus } from './status'
import type { Photograph } from './photographs'

export interface Me {
  id: string
  name: string
  role: Role
  /** What the practice is called, where several share the house. */
  practice: string | null
  locked: boolean
  hasCode: boolean
  hasFactor: boolean
  /** The house asks its owners for a second factor, and this one has none yet. */
  needsFactor: boolean
  /** Minutes without a hand on it after which a tablet locks itself. */
  lockMinutes: number
  licences: LicenceId[]
  /** Last day of each licence that has one. */
  licenceUntil: Partial<Record<LicenceId, string>>
}
export interface PlanVersion {
  version: number
  steps: PlanStep[]
  reason: string
  countersignedBy: string | null
  /** Who had signed it, when, and what has changed since, where a signature fell away. */
  unsigned?: { by: string; at: number; because: string } | null
  /** Made by a trainee in the room, and no colleague has seen it yet. */ unseen: boolean
  /** The house's protocol it was made from. */ protocol: { id: string; version: number } | null
}

/** Three values of one meter on one zone. */
export interface MeterReading {
  id: string
  kind: MeterKind
  zone: ZoneId
  phase: 'madeUp' | 'bare'
  values: number[]
  median: number
  spread: number
  at: number
}

/** Everything the six stops of one visit need, in one reply. Times are milliseconds since 1970. */
export interface VisitBundle {
  now: number
  today: string
  visit: {
    id: string
    /** When it is booked for. */
    startsAt: number
    /** When it was treated, or is booked for while it has not begun: what everything reckons from. */
    at: number
    minutes: number
    /** Minutes the client came late. */
    lateMinutes?: number
    /** Null is not asked yet. */
    makeUp: MakeUpId[] | null
    evening: boolean
    aims: ConcernId[]
    /** Strong work that was booked or asked for by name. */
    named: TechniqueId[]
    school: SchoolId
    status: VisitStatus
    version: number
    recordText: string
    nextVisitAt: number | null
    /** How the client says it was taken, at its end; null is not asked. */
    taken: Taken | null
  }
  client: {
    id: string
    name: string
    born: string | null
    age: number | null
    work: string | null
    medicines: string
    notes: string
    preferences: Preferences
    faceHeightMm: number
    faceWidthMm: number
  }
  /**
   * Licences that count on the day: held, not run out, and allowed in this house. `scope` says what
   * became of the others.
   */
  staff: { id: string; name: string; role: Role; licences: LicenceId[]; scope: ScopeLine[] }
  room: { id: string; name: string }
  practice: {
    name: string
    address: string
    phone: string
    emergency: string
    timeZone: string
    /** ISO 4217. */
    currency: string
    /** The house's own words at the foot of what a client takes home. */
    cardText: string
  }
  may: { write: boolean; seal: boolean; countersign: boolean; export: boolean }
  answers: Answers
  answered: boolean
  /** Every keeping of today's answers, the latest first: nothing is overwritten. */
  answerVersions: { at: number; by: string }[]
  previousAnswers: Answers | null
  /**
   * What the client filled in beforehand, if they did; it counts once a therapist has taken it line
   * by line.
   */
  fromClient: { at: number; answers: Answers; medicines: string } | null
  consent: { method: 'pen' | 'typed'; name: string | null; at: number; guardian: boolean } | null
  /** What was last said of home; null where it was never asked. */
  homeAsked: HomeAsked | null
  /** Every signature of this client and what was taken back, whichever visit it was given at. */
  signatures: Signature[]
  withdrawals: Withdrawal[]
  readings: { madeUp: Readings | null; bare: Readings | null }
  /** Read of the whole face today; the bare reading's words over the made-up one's. */
  whole: WholeReading
  halves: HalfFace[]
  /** Taken in the room, where the client agreed. */
  photographs: Photograph[]
  /** `day`: ISO day of the house. */
  previousReading: { at: number; day: string; zones: Readings; whole: WholeReading } | null
  /** The client's first reading here, where it is older than the previous one. */
  baseline: { at: number; zones: Readings } | null
  meters: { today: MeterReading[]; before: MeterReading[] }
  plans: PlanVersion[]
  past: PastWork[]
  poured: Poured[]
  /** Rows that this house works more strictly, and those set aside for this visit. */
  houseRules: HouseRule[]
  lifts: Lift[]
  /** What the house has decided where schools differ. */
  policy: HousePolicy
  /**
   * The house's own protocols that are offered, each in its latest version, and the one this plan
   * was made from.
   */
  protocols: {
    id: string
    name: string
    /** The full protocol that this is the short one of. */
    expressOf: string | null
    version: number
    steps: ProtocolStep[]
  }[]
  /** What was done at the visit before, as planned last. */
  previousPlan: { at: number; steps: PlanStep[] } | null
  patchTests: PatchTest[]
  /** Reactions of this client for which a product was suspected, the latest first. */
  reactions: PastReaction[]
  /** From when on an earlier patch test no longer counts. */
  patchAgain: AskAgain | null
  /** Products that were used here before. */
  usedProducts: string[]
  shelf: ShelfItem[]
  devices: DeviceKey[]
  /** Techniques as this house does them. */
  ways: OwnWay[]
  /** Devices that other rooms use during this visit, in minutes from its start. */
  inUse: DeviceInUse[]
  /** Tools of which none is clean for this visit. */
  held: ToolId[]
  /** What is laid out already, by the keys of the tray. */
  laid: string[]
  events: TreatmentEvent[]
  seal: { number: number; prev: string; head: string; at: number; by: string } | null
  record: { name: string; commitment: string; content: unknown; salt: string | null }[]
  amendments: { at: number; by: string; before: string; after: string; reason: string }[]
  /** How each technique went at the last sealed visit. */
  lastTime: { at: number; day: string; makeUp: MakeUpId[] | null; times: LastTime[] } | null
  /** What was measured at earlier visits, per cent of the usual amount by kind. */
  learned: Learned
  /** Halves of pieces that were opened for this client and kept here. */
  openHalves: OpenHalf[]
  /** The client's next visit that is booked after this one. */
  nextBooked: { id: string; startsAt: number; room: string; staff: string } | null
  followUp: { dueOn: string; reason: string; done: boolean } | null
}
