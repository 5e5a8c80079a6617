import { homeAsked } from '../home'
import { z } from 'zod'
import { CONSENT_IDS } from '#core/catalogue/consultation/consents'
import { MAKE_UP_IDS } from '#core/catalogue/consultation/makeUp'
import { CONCERN_IDS, FAMILY_IDS, LICENCE_IDS, PRODUCT_KINDS } from '#core/catalogue/kinds'
import { SCHOOL_IDS } from '#core/catalogue/schools/schools'
import { METER_KINDS } from '#core/catalogue/skin/meters'
import { FEELS } from '#core/catalogue/rules/feel'
import { TOOL_IDS } from '#core/catalogue/techniques/tools'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { ZONE_IDS } from '#core/face/zones'
import type { PastWork } from '#core/load/rest'
import type { Signature, Withdrawal } from '#core/screening/consent/consent'
import { PATCH_PLACES, type PatchTest } from '#core/screening/products/patch'
import type { HouseRule } from '#core/screening/verdict/houseRules'
import type { Lift } from '#core/screening/verdict/lifts'
import type { HalfFace } from '#core/skin/halves'
import type { Readings } from '#core/skin/readings'
import { readings } from '#core/skin/readingShapes'
import { treatmentEvent } from '#core/treatment/taps/eventShapes'
import type { MeterReading, PlanVersion, VisitBundle } from '#core/visit/bundle'
import type { OpenHalf } from '#core/visit/halves'
import type { LastTime } from '#core/visit/lastTime'
import type { Photograph } from '#core/visit/photographs'
import { VISIT_STATUSES } from '#core/visit/status'
import { halves, preferences, wholeReading } from '../care'
import { answers, planStep } from '../visit'
import { pastReaction, poured } from './clientFile'
import { at, by, count, id, isoDay, maybe, named, onRegions, text } from './common'
import { deviceKey, ownWay } from '../ownWays'
import { policy, protocolStep } from './method'
import { role } from './people'
import { scopeLine, tightening } from './practice'
import { shelfItem } from './shelf'

const read: z.ZodType<Readings> = readings
const consentKinds = z.array(z.enum(CONSENT_IDS))
const makeUp = z.array(z.enum(MAKE_UP_IDS))
const licences = z.array(z.enum(LICENCE_IDS))
const minutes = z.number().min(0)
const yes = z.boolean()

/** A tap as it is kept, with who tapped. */
export const keptTap = treatmentEvent.extend({ by: text.optional() })
const planVersion: z.ZodType<PlanVersion> = z.strictObject({
  version: z.int(),
  steps: z.array(planStep),
  reason: text,
  countersignedBy: maybe,
  unsigned: z.strictObject({ by: text, at, because: text }).nullable().optional(),
  unseen: yes,
  protocol: z.strictObject({ id, version: z.int() }).nullable(),
})
export const meterReading: z.ZodType<MeterReading> = z.strictObject({
  id,
  kind: z.enum(METER_KINDS),
  zone: z.enum(ZONE_IDS),
  phase: z.enum(['madeUp', 'bare']),
  values: z.array(z.number()),
  median: z.number(),
  spread: z.number(),
  at,
})
const pastWork: z.ZodType<PastWork> = z.strictObject({
  day: isoDay,
  families: z.array(z.enum(FAMILY_IDS)),
  regions: onRegions,
  techniques: z.array(text).optional(),
  taken: z.enum(['well', 'badly']).optional(),
})
const signature: z.ZodType<Signature> = z.strictObject({
  kinds: consentKinds,
  day: isoDay,
  guardian: yes,
  at,
})
const withdrawal: z.ZodType<Withdrawal> = z.strictObject({ kinds: consentKinds, at })
const houseRule: z.ZodType<HouseRule> = z.strictObject({
  rule: text,
  change: tightening,
  reason: text,
})
const lift: z.ZodType<Lift> = z.strictObject({ rule: text, word: text, reason: text, by: text, at })
const patchTest: z.ZodType<PatchTest> = z.strictObject({
  id,
  productId: text,
  place: z.enum(PATCH_PLACES),
  placedAt: at,
  reads: z.array(z.strictObject({ at, result: z.enum(['clear', 'reaction']) })),
})
const halfFace: z.ZodType<HalfFace> = z.strictObject({
  id,
  moment: z.enum(['before', 'after']),
  worked: z.enum(['L', 'R']),
  light: text,
  grades: halves,
  at,
})
const photograph: z.ZodType<Photograph> = z.strictObject({
  id,
  at,
  regions: onRegions,
  sha256: text,
})
const lastTime: z.ZodType<LastTime> = z.strictObject({
  technique: z.enum(TECHNIQUE_IDS),
  minutes: minutes.optional(),
  dwell: minutes.optional(),
  setting: z.number().optional(),
  millilitres: z.number().optional(),
  pads: count.optional(),
  water: count.optional(),
  drank: onRegions.optional(),
  felt: z.enum(FEELS).optional(),
})
const openHalf: z.ZodType<OpenHalf> = z.strictObject({
  id,
  productId: text,
  code: text,
  expires: isoDay,
  millilitres: z.number(),
  openedOn: isoDay,
  until: at,
  visitId: id,
})
const steps = z.array(planStep)

/** Everything the six stops of one visit need. */
export const visitBundle: z.ZodType<VisitBundle> = z.strictObject({
  now: at,
  today: isoDay,
  visit: z.strictObject({
    id,
    startsAt: at,
    at,
    minutes: count,
    lateMinutes: count.optional(),
    makeUp: makeUp.nullable(),
    evening: yes,
    aims: z.array(z.enum(CONCERN_IDS)),
    named: z.array(z.enum(TECHNIQUE_IDS)),
    school: z.enum(SCHOOL_IDS),
    status: z.enum(VISIT_STATUSES),
    version: z.int(),
    recordText: text,
    nextVisitAt: at.nullable(),
    taken: z.enum(['well', 'badly']).nullable(),
  }),
  client: z.strictObject({
    id,
    name: text,
    born: isoDay.nullable(),
    age: count.nullable(),
    work: maybe,
    medicines: text,
    notes: text,
    preferences,
    faceHeightMm: count,
    faceWidthMm: count,
  }),
  staff: z.strictObject({ id, name: text, role, licences, scope: z.array(scopeLine) }),
  room: named,
  practice: z.strictObject({
    name: text,
    address: text,
    phone: text,
    emergency: text,
    timeZone: text,
    currency: text,
    cardText: text,
  }),
  may: z.strictObject({ write: yes, seal: yes, countersign: yes, export: yes }),
  answers,
  answered: yes,
  answerVersions: z.array(z.strictObject({ at, by: text })),
  previousAnswers: answers.nullable(),
  fromClient: z.strictObject({ at, answers, medicines: text }).nullable(),
  consent: z
    .strictObject({ method: z.enum(['pen', 'typed']), name: maybe, at, guardian: yes })
    .nullable(),
  homeAsked: homeAsked.nullable(),
  signatures: z.array(signature),
  withdrawals: z.array(withdrawal),
  readings: z.strictObject({ madeUp: read.nullable(), bare: read.nullable() }),
  whole: wholeReading,
  halves: z.array(halfFace),
  photographs: z.array(photograph),
  previousReading: z.strictObject({ at, day: isoDay, zones: read, whole: wholeReading }).nullable(),
  baseline: z.strictObject({ at, zones: read }).nullable(),
  meters: z.strictObject({ today: z.array(meterReading), before: z.array(meterReading) }),
  plans: z.array(planVersion),
  past: z.array(pastWork),
  poured: z.array(poured),
  houseRules: z.array(houseRule),
  lifts: z.array(lift),
  policy,
  protocols: z.array(
    z.strictObject({
      id,
      name: text,
      expressOf: id.nullable(),
      version: z.int(),
      steps: z.array(protocolStep),
    }),
  ),
  previousPlan: z.strictObject({ at, steps }).nullable(),
  patchTests: z.array(patchTest),
  reactions: z.array(pastReaction),
  patchAgain: z.strictObject({ at, why: text }).nullable(),
  usedProducts: z.array(text),
  shelf: z.array(shelfItem),
  devices: z.array(deviceKey),
  ways: z.array(ownWay),
  inUse: z.array(
    z.strictObject({
      kind: deviceKey,
      name: text,
      from: z.number(),
      to: z.number(),
      words: text,
    }),
  ),
  held: z.array(z.enum(TOOL_IDS)),
  laid: z.array(text),
  events: z.array(keptTap),
  seal: z.strictObject({ number: z.int(), prev: text, head: text, at, by: text }).nullable(),
  record: z.array(
    z.strictObject({ name: text, commitment: text, content: z.unknown(), salt: maybe }),
  ),
  amendments: z.array(z.strictObject({ at, by: text, before: text, after: text, reason: text })),
  lastTime: z
    .strictObject({ at, day: isoDay, makeUp: makeUp.nullable(), times: z.array(lastTime) })
    .nullable(),
  learned: by(PRODUCT_KINDS, z.number()),
  openHalves: z.array(openHalf),
  nextBooked: z.strictObject({ id, startsAt: at, room: text, staff: text }).nullable(),
  followUp: z.strictObject({ dueOn: isoDay, reason: text, done: yes }).nullable(),
})
