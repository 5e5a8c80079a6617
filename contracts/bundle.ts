import type { PlanInput, ShelfItem } from '#core/planning/input'
import type { ConcernId, DeviceKind, LicenceId } from '#core/catalogue/kinds'
import type { SchoolId } from '#core/catalogue/schools'
import type { PlanStep } from '#core/catalogue/step'
import type { RegionId, ZoneId } from '#core/face/zones'
import type { MeterKind } from '#core/catalogue/meters'
import { REGION_IDS } from '#core/face/zones'
import { halfLifeHours, remainingAt, type Poured } from '#core/load/ledger'
import type { PastWork } from '#core/load/rest'
import type { Answers } from '#core/screening/answers'
import { screen } from '#core/screening/verdict'
import { deriveProfile } from '#core/skin/profile'
import { overlay, readRegion, type Grade, type Readings } from '#core/skin/readings'
import { dwellWindow } from '#core/timing/schedule'
import { isSensitive } from '#core/planning/compile'
import type { TreatmentEvent } from '#core/treatment/events'
import type { FoldContext } from '#core/treatment/fold'

export type Role = 'owner' | 'therapist' | 'trainee'
export interface Me { id: string, name: string, role: Role, locked: boolean, hasCode: boolean }
export interface PlanVersion { version: number, steps: PlanStep[], reason: string, countersignedBy: string | null }

/** Three values of one meter on one zone. */
export interface MeterReading { id: string, kind: MeterKind, zone: ZoneId, phase: 'madeUp' | 'bare', values: number[], median: number, spread: number, at: number }

/** Everything the six stops of one visit need, in one reply. Times are milliseconds since 1970. */
export interface VisitBundle {
  now: number
  today: string
  visit: { id: string, startsAt: number, minutes: number, madeUp: boolean, evening: boolean, aims: ConcernId[], school: SchoolId, status: 'booked' | 'treating' | 'closing' | 'sealed' | 'cancelled', version: number, recordText: string, nextVisitAt: number | null }
  client: { id: string, name: string, born: string | null, age: number | null, work: string | null, medicines: string, notes: string, faceHeightMm: number, faceWidthMm: number }
  staff: { id: string, name: string, role: Role, licences: LicenceId[] }
  room: { id: string, name: string }
  practice: { name: string, address: string, phone: string, emergency: string, timeZone: string }
  may: { write: boolean, seal: boolean, countersign: boolean, export: boolean }
  answers: Answers
  answered: boolean
  previousAnswers: Answers | null
  /** What the client filled in beforehand, if they did; it counts once a therapist has taken it line by line. */
  fromClient: { at: number, answers: Answers, medicines: string } | null
  consent: { method: 'pen' | 'typed', name: string | null, at: number, guardian: boolean } | null
  readings: { madeUp: Readings | null, bare: Readings | null }
  previousReading: { at: number, zones: Readings } | null
  meters: { today: MeterReading[], before: MeterReading[] }
  plans: PlanVersion[]
  past: PastWork[]
  poured: Poured[]
  shelf: ShelfItem[]
  devices: DeviceKind[]
  events: TreatmentEvent[]
  seal: { number: number, prev: string, head: string, at: number, by: string } | null
  record: { name: string, commitment: string, content: unknown, salt: string | null }[]
  amendments: { at: number, by: string, before: string, after: string, reason: string }[]
  followUp: { dueOn: string, reason: string, done: boolean } | null
}

/** Settling in, sitting up and clearing are steps of the plan; the slot is the booked time. */
export function toPlanInput(b: VisitBundle, more: Partial<Pick<PlanInput, 'slotMinutes'>> & { readings?: Readings } = {}): PlanInput {
  const read = more.readings ?? currentReadings(b)
  const profile = deriveProfile(read, b.client.age ?? undefined)
  const half = halfLifeHours(b.client.age ?? undefined, profile.conditions.includes('dehydrated'))
  return {
    today: b.today, daylight: !b.visit.evening, slotMinutes: more.slotMinutes ?? b.visit.minutes, madeUp: b.visit.madeUp, profile, answers: b.answers, verdict: screen(b.answers, b.today), past: b.past,
    residual: remainingAt(b.poured, b.visit.startsAt, half), shelf: b.shelf, devices: b.devices, licences: b.staff.licences, school: b.visit.school, aims: b.visit.aims,
    faceSize: { height: b.client.faceHeightMm / 10, width: b.client.faceWidthMm / 10 },
  }
}

/** The bare reading laid over the made-up one: what is known of today's skin. */
export function currentReadings(b: VisitBundle): Readings {
  return overlay(b.readings.madeUp ?? {}, b.readings.bare ?? {})
}

export function foldContext(b: VisitBundle, input: PlanInput): FoldContext {
  const start = b.readings.madeUp ?? {}
  const baseline: Partial<Record<RegionId, Grade>> = {}
  for (const r of REGION_IDS) { const g = readRegion(start, r).redness; if (g !== undefined) baseline[r] = g }
  const sensitive = isSensitive(input.profile)
  return { plans: Object.fromEntries(b.plans.map((p) => [p.version, p.steps])), dwellOf: (s) => dwellWindow(s, sensitive), baseline }
}

