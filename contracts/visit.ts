import { PAD_GRADES } from '#core/catalogue/rules/pads'
import { SPOT_IDS } from '#core/catalogue/techniques/residue'
import { isWholeTicks, SHORTEST_STEP, type Minutes } from '#core/units'
import { z } from 'zod'
import type { EventKind } from '#core/treatment/events'
import { MAKE_UP_IDS } from '#core/catalogue/consultation/makeUp'
import { WORK_ELSEWHERE_IDS } from '#core/catalogue/consultation/elsewhere'
import { FINDING_IDS } from '#core/catalogue/consultation/findings'
import { ABSORBED_GRADES } from '#core/catalogue/products/watering'
import { SIGN_IDS, STOP_STEPS } from '#core/catalogue/rules/stopRules'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { ZONE_IDS, type ZoneId } from '#core/face/zones'
import { METER_KINDS } from '#core/catalogue/skin/meters'
import type { FindingId } from '#core/catalogue/consultation/findings'
import { ALL_READING_IDS, type AnyReadingId } from '#core/skin/readings'
import { consentKinds, grade, wholeReading } from './care'
import { protocolRef } from './method'
import {
  aims,
  day,
  id,
  line,
  moment,
  regionId,
  regions,
  said,
  school,
  version,
  zoneId,
} from './common'

export const visitCreate = z.strictObject({
  id,
  clientId: id,
  staffId: id,
  roomId: id,
  startsAt: moment,
  minutes: z.int('whole minutes').min(15, 'at least 15 minutes').max(180, 'at most 180 minutes'),
  /** Why it stands although it is in the way of another: an owner's word. */
  allowedBecause: said(200).optional(),
})
export const visitPatch = z.strictObject({
  version,
  startsAt: moment.optional(),
  minutes: z
    .int('whole minutes')
    .min(15, 'at least 15 minutes')
    .max(180, 'at most 180 minutes')
    .optional(),
  staffId: id.optional(),
  roomId: id.optional(),
  makeUp: z.array(z.enum(MAKE_UP_IDS)).max(MAKE_UP_IDS.length).optional(),
  evening: z.boolean().optional(),
  aims: aims.optional(),
  /** Strong work that is asked for by name. */
  named: z.array(z.enum(TECHNIQUE_IDS)).max(12, 'at most 12').optional(),
  school: school.optional(),
  nextVisitAt: moment.nullable().optional(),
  /** The one that is booked already is moved to there. */
  movesNext: z.boolean().optional(),
  allowedBecause: said(200).optional(),
  fellAway: z.strictObject({ as: z.enum(['calledOff', 'noShow']), because: line(200) }).optional(),
  lateMinutes: z.int('whole minutes').min(0, '0 to 120').max(120, '0 to 120').optional(),
})
export type VisitPatch = z.infer<typeof visitPatch>

/** The end of the year 2099, milliseconds since 1970. */
const LATEST_MOMENT = 4_102_444_799_999
const answer = z.strictObject({
  say: z.enum(['yes', 'no', 'unsure']),
  date: day.optional(),
  at: z.int('a moment').min(0, 'from 1970').max(LATEST_MOMENT, 'to 2100').optional(),
  zones: z.array(zoneId).max(28).optional(),
  substances: z.array(said(60)).max(20).optional(),
  work: z.array(z.enum(WORK_ELSEWHERE_IDS)).max(5).optional(),
  perWeek: z.int('a whole number').min(1, 'from 1').max(14, 'to 14').optional(),
})
export const answers = z.partialRecord(
  z.enum(FINDING_IDS) as unknown as z.ZodEnum<{ [K in FindingId]: K }>,
  answer,
)
/** `medicinesSeen` is what stood there when Ask was opened: a colleague's words are not lost. */
export const answersPut = z.strictObject({
  id,
  answers,
  medicines: line(2000),
  medicinesSeen: line(2000).optional(),
})
export const linkPost = z.strictObject({ id })
const token = z.string().regex(/^[A-Za-z0-9_-]{43}$/, 'not a link of this house')
export const formOpen = z.strictObject({ token })
export const formSubmit = z.strictObject({ token, answers, medicines: line(2000) })
export const consentPost = z.discriminatedUnion('method', [
  z.strictObject({
    id,
    method: z.literal('pen'),
    strokes: said(60_000),
    guardian: z.boolean(),
    kinds: consentKinds,
  }),
  z.strictObject({
    id,
    method: z.literal('typed'),
    name: said(120),
    confirmed: z.literal(true, 'confirm that the client agrees'),
    guardian: z.boolean(),
    kinds: consentKinds,
  }),
])

const zoneReading = z.strictObject(
  Object.fromEntries(ALL_READING_IDS.map((allReading) => [allReading, grade.optional()])) as Record<
    AnyReadingId,
    z.ZodOptional<typeof grade>
  >,
)
export const readings = z.partialRecord(
  z.enum(ZONE_IDS) as unknown as z.ZodEnum<{ [K in ZoneId]: K }>,
  zoneReading,
)
export const readingPost = z.strictObject({
  id,
  phase: z.enum(['madeUp', 'bare']),
  zones: readings,
  whole: wholeReading.default({}),
})

export const meterPost = z.strictObject({
  id,
  kind: z.enum(METER_KINDS),
  zone: zoneId,
  phase: z.enum(['madeUp', 'bare']),
})

const halfMinutes = z
  .number()
  .min(SHORTEST_STEP, 'at least half a minute')
  .max(90, 'at most 90 minutes')
  .refine(isWholeTicks, 'whole half-minutes') as unknown as z.ZodType<Minutes, number>
export const planStep = z.strictObject({
  key: z.string().regex(/^[a-zA-Z]{3,30}-\d{1,3}$/, 'a step key'),
  technique: z.enum(TECHNIQUE_IDS),
  regions,
  minutes: halfMinutes,
  passes: z.int().min(1).max(9).optional(),
  setting: z.number().min(0).max(1000).optional(),
  productId: said(60).optional(),
  pinned: z.boolean().optional(),
  why: z.array(z.strictObject({ rule: said(60), text: line(300) })).max(12),
})
export const planSteps = z
  .array(planStep)
  .max(80, 'at most 80 steps')
  .refine((steps) => new Set(steps.map((item) => item.key)).size === steps.length, 'each key once')
const hash = z.string().regex(/^[0-9a-f]{64}$/, 'the hash of a plan')
/** `seen` is the hash of the draft that was changed; null where there was none. */
export const planPut = z.strictObject({
  steps: planSteps,
  seen: hash.nullable().default(null),
  protocol: protocolRef.nullable().default(null),
})
/** Which plan a colleague has seen, by its hash: the draft (0), or one made in the room. */
export const countersignPost = z.strictObject({
  version: z.int().min(0).max(99).default(0),
  hash,
})
export const planVersionPost = z.strictObject({
  version: z.int().min(2).max(99),
  reason: said(200),
  steps: planSteps,
})

const note = said(500)
const key = said(40)
const spots = z.array(z.enum(SPOT_IDS)).max(SPOT_IDS.length, 'each spot once')
export const eventBody = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('started') }),
  z.strictObject({
    kind: z.literal('stepDone'),
    key,
    cue: z.boolean(),
    because: note.optional(),
    with: z.array(key).max(12, 'at most 12 ticks').optional(),
    swept: spots.optional(),
  }),
  z.strictObject({ kind: z.literal('takenBack'), key }),
  z.strictObject({ kind: z.literal('notYet'), key }),
  z.strictObject({ kind: z.literal('padGraded'), key, grade: z.literal([...PAD_GRADES]) }),
  z.strictObject({
    kind: z.literal('counted'),
    key,
    region: regionId.nullable(),
    by: z.literal([1, -1]),
  }),
  z.strictObject({ kind: z.literal('swept'), key, spots }),
  z.strictObject({ kind: z.literal('side'), key, side: z.enum(['L', 'R']).nullable() }),
  z.strictObject({ kind: z.literal('calm'), key, setting: z.number().min(0).max(1000) }),
  z.strictObject({
    kind: z.literal('deviceSaid'),
    key,
    level: z.number().min(0).max(1000).nullable(),
    fault: note.nullable(),
  }),
  z.strictObject({ kind: z.literal('stepSkipped'), key, reason: note }),
  z.strictObject({ kind: z.literal('passDone'), key, region: regionId }),
  z.strictObject({ kind: z.literal('held') }),
  z.strictObject({ kind: z.literal('resumed') }),
  z.strictObject({ kind: z.literal('reading'), zones: readings }),
  z.strictObject({ kind: z.literal('redness'), region: regionId, grade, key: key.nullable() }),
  z.strictObject({
    kind: z.literal('sensation'),
    grade: z.int().min(0, 'from 0').max(10, 'to 10'),
    region: regionId.nullable(),
    key: key.nullable(),
  }),
  z.strictObject({
    kind: z.literal('sign'),
    sign: z.enum(SIGN_IDS),
    region: regionId.nullable(),
    key: key.nullable(),
  }),
  z.strictObject({ kind: z.literal('stopped'), reason: note }),
  z.strictObject({ kind: z.literal('stopStep'), step: z.enum(STOP_STEPS) }),
  z.strictObject({
    kind: z.literal('contraAction'),
    what: note,
    where: regions,
    done: note,
    suspected: line(120).nullable(),
    suspectedWork: z
      .strictObject({
        technique: z.enum(TECHNIQUE_IDS),
        what: z.enum(['tool', 'level', 'warmth']),
        level: z.number().min(0).max(1000).nullable(),
      })
      .optional(),
  }),
  z.strictObject({
    kind: z.literal('absorbed'),
    key,
    region: regionId,
    grade: z.literal([...ABSORBED_GRADES]),
  }),
  z.strictObject({ kind: z.literal('settingChanged'), key, setting: z.number().min(0).max(1000) }),
  z.strictObject({ kind: z.literal('productSwapped'), key, productId: said(60), reason: note }),
  z.strictObject({
    kind: z.literal('amountTaken'),
    key,
    productId: said(60),
    lotId: said(60),
    millilitres: z.number().min(0).max(200, 'at most 200 mL'),
  }),
  z.strictObject({ kind: z.literal('replanned'), version: z.int().min(2).max(99), reason: note }),
  z.strictObject({ kind: z.literal('confirmed'), key, rules: z.array(line(60)).max(12) }),
  z.strictObject({ kind: z.literal('note'), text: note }),
  z.strictObject({ kind: z.literal('finished') }),
])
// Does not compile while the room knows a kind of tap that the wire does not let in.
const letIn: Exclude<EventKind, z.infer<typeof eventBody>['kind']> extends never ? true : never =
  true
void letIn
/** Milliseconds since 1970. */
const instant = z
  .int('whole milliseconds')
  .min(1_600_000_000_000, 'after 2020')
  .max(4_000_000_000_000, 'before 2096')
export const treatmentEvent = z.strictObject({
  id,
  at: instant,
  deviceId: z.string().regex(/^[0-9a-f-]{8,36}$/, 'a device id'),
  seq: z.int().min(0).max(1_000_000),
  planVersion: z.int().min(1).max(99),
  body: eventBody,
})
export const eventsPost = z.strictObject({
  /** What the device's clock says as it sends, so that a clock that is off is put right. */
  sentAt: instant.optional(),
  events: z.array(treatmentEvent).min(1).max(200, 'at most 200 taps at once'),
})

/** Asks the device of a step how it stands; with a level or a run it is set, started or stopped. */
export const devicePost = z.strictObject({
  key,
  level: z.number().min(0).max(1000).optional(),
  run: z.boolean().optional(),
})
/** The name that a tablet was given, as other tablets in the room show it. */
export const streamQuery = z.strictObject({ tablet: line(40).default('') })
export const recordPut = z.strictObject({ text: line(8000), version })
export const sealPost = z.strictObject({
  text: line(8000),
  /** Seals a visit that was tapped through rather than timed. */
  asItStands: z.boolean().default(false),
})
export const amendmentPost = z.strictObject({ id, after: said(8000), reason: said(300) })
export const nothing = z.strictObject({})
