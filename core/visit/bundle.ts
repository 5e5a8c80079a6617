import type { PlanInput, ShelfItem } from '../planning/input'
import type { ConcernId, DeviceKind, LicenceId } from '../catalogue/kinds'
import { seasonOf } from '../catalogue/skin/season'
import type { HousePolicy, SchoolId } from '../catalogue/schools/schools'
import type { PlanStep, ProtocolStep } from '../catalogue/techniques/step'
import type { RegionId, ZoneId } from '../face/zones'
import type { MeterKind } from '../catalogue/skin/meters'
import { REGION_IDS } from '../face/zones'
import { halfLifeHours, remainingAt, type Poured } from '../load/ledger'
import type { PastWork } from '../load/rest'
import type { Answers } from '../screening/answers'
import { INGREDIENTS } from '../catalogue/products/ingredients'
import { avoidedBy, type Preferences } from '../catalogue/consultation/preferences'
import { pouredAtHome } from '../load/home'
import { restBars } from '../load/rest'
import { CONTRAINDICATIONS } from '../catalogue/consultation/contraindications'
import type { Signature, Withdrawal } from '../screening/consent'
import { tightened, type HouseRule } from '../screening/houseRules'
import { lifted, type Lift } from '../screening/lifts'
import { patchBar, patchState, type PatchTest } from '../screening/patch'
import type { AskAgain } from '../screening/retest'
import type { ScopeLine } from '../screening/scope'
import { withSkin } from '../screening/skin'
import { screen, type Bar, type Verdict } from '../screening/verdict'
import type { HalfFace } from '../skin/halves'
import type { WholeReading } from '../skin/notes'
import { deriveProfile, type Profile } from '../skin/profile'
import { overlay, readRegion, type Grade, type Readings } from '../skin/readings'
import { dwellWindow } from '../timing/schedule'
import { isSensitive } from '../planning/today/adapt'
import type { TreatmentEvent } from '../treatment/events'
import type { FoldContext } from '../treatment/fold'

export type Role = 'owner' | 'therapist' | 'trainee'
export interface Me {
  id: string
  name: string
  role: Role
  locked: boolean
  hasCode: boolean
}
export interface PlanVersion {
  version: number
  steps: PlanStep[]
  reason: string
  countersignedBy: string | null
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
    startsAt: number
    minutes: number
    madeUp: boolean
    evening: boolean
    aims: ConcernId[]
    school: SchoolId
    status: 'booked' | 'treating' | 'closing' | 'sealed' | 'cancelled'
    version: number
    recordText: string
    nextVisitAt: number | null
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
  practice: { name: string; address: string; phone: string; emergency: string; timeZone: string }
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
  /** Every signature of this client and what was taken back, whichever visit it was given at. */
  signatures: Signature[]
  withdrawals: Withdrawal[]
  readings: { madeUp: Readings | null; bare: Readings | null }
  /** Read of the whole face today; the bare reading's words over the made-up one's. */
  whole: WholeReading
  halves: HalfFace[]
  previousReading: { at: number; zones: Readings; whole: WholeReading } | null
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
  protocols: { id: string; name: string; version: number; steps: ProtocolStep[] }[]
  /** What was done at the visit before, as planned last. */
  previousPlan: { at: number; steps: PlanStep[] } | null
  patchTests: PatchTest[]
  /** From when on an earlier patch test no longer counts. */
  patchAgain: AskAgain | null
  /** Products that were used here before. */
  usedProducts: string[]
  shelf: ShelfItem[]
  devices: DeviceKind[]
  events: TreatmentEvent[]
  seal: { number: number; prev: string; head: string; at: number; by: string } | null
  record: { name: string; commitment: string; content: unknown; salt: string | null }[]
  amendments: { at: number; by: string; before: string; after: string; reason: string }[]
  followUp: { dueOn: string; reason: string; done: boolean } | null
}

/**
 * The verdict of these answers in this house today: the table as the house works it, less what was
 * set aside, and nothing scented where none is wanted.
 */
export function screenHere(
  b: Pick<VisitBundle, 'today' | 'houseRules' | 'lifts'> & { client: { preferences: Preferences } },
  answers: Answers,
): Verdict {
  const v = screen(answers, b.today, lifted(tightened(CONTRAINDICATIONS, b.houseRules), b.lifts))
  return {
    ...v,
    substances: [
      ...v.substances,
      ...avoidedBy(b.client.preferences).map(({ family, rule }) => ({
        word: INGREDIENTS[family].name,
        rule,
        family,
      })),
    ],
  }
}

/** What earlier work keeps from being done today: it joins the verdict on the screen. */
export const restsOf = (b: Pick<VisitBundle, 'past' | 'today'>): Bar[] => restBars(b.past, b.today)

/** Settling in, sitting up and clearing are steps of the plan; the slot is the booked time. */
export function toPlanInput(
  b: VisitBundle,
  more: Partial<Pick<PlanInput, 'slotMinutes'>> & { readings?: Readings } = {},
): PlanInput {
  const read = more.readings ?? currentReadings(b)
  const profile = deriveProfile(read, b.client.age ?? undefined, b.whole)
  const half = halfLifeHours(b.client.age ?? undefined, profile.conditions.includes('dehydrated'))
  return {
    today: b.today,
    daylight: !b.visit.evening,
    slotMinutes: more.slotMinutes ?? b.visit.minutes,
    madeUp: b.visit.madeUp,
    profile,
    answers: b.answers,
    verdict: withSkin(screenHere(b, b.answers), profile),
    past: b.past,
    residual: remainingAt(
      [...b.poured, ...pouredAtHome(b.answers, b.today)],
      b.visit.startsAt,
      half,
    ),
    shelf: b.shelf,
    patch: patchBars(b, profile),
    devices: b.devices,
    licences: b.staff.licences,
    school: b.visit.school,
    policy: b.policy,
    life: b.client.preferences,
    season: seasonOf(b.today, b.practice.timeZone),
    aims: b.visit.aims,
    faceSize: { height: b.client.faceHeightMm / 10, width: b.client.faceWidthMm / 10 },
  }
}

function patchBars(b: VisitBundle, profile: Profile): Record<string, string> {
  return Object.fromEntries(
    b.shelf.flatMap(({ product }) => {
      const bar = patchBar(
        patchState(
          product,
          b.patchTests,
          profile,
          b.usedProducts.includes(product.id),
          Math.max(b.now, b.visit.startsAt),
          b.patchAgain ?? undefined,
        ),
      )
      return bar === undefined ? [] : [[product.id, bar]]
    }),
  )
}

/** The bare reading laid over the made-up one: what is known of today's skin. */
export function currentReadings(b: VisitBundle): Readings {
  return overlay(b.readings.madeUp ?? {}, b.readings.bare ?? {})
}

export function foldContext(b: VisitBundle, input: PlanInput): FoldContext {
  const start = b.readings.madeUp ?? {}
  const baseline: Partial<Record<RegionId, Grade>> = {}
  for (const r of REGION_IDS) {
    const g = readRegion(start, r).redness
    if (g !== undefined) baseline[r] = g
  }
  const sensitive = isSensitive(input.profile)
  return {
    plans: Object.fromEntries(b.plans.map((p) => [p.version, p.steps])),
    dwellOf: (s) => dwellWindow(s, sensitive),
    baseline,
  }
}
