import { HOME_STRENGTH_IDS } from '#core/catalogue/home/nightRows'
import { STEP_MOST, VISIT_MINUTES } from '#core/catalogue/rules/visit'
import { isWholeTicks, SHORTEST_STEP, type Minutes } from '#core/units'
import { z } from 'zod'
import { instant, treatmentEvent } from '#core/treatment/taps/eventShapes'
import { MAKE_UP_IDS } from '#core/catalogue/consultation/makeUp'
import { WORK_ELSEWHERE_IDS } from '#core/catalogue/consultation/elsewhere'
import { FINDING_IDS } from '#core/catalogue/consultation/findings'
import { TECHNIQUE_IDS } from '#core/catalogue/techniques/techniques'
import { METER_KINDS } from '#core/catalogue/skin/meters'
import type { FindingId } from '#core/catalogue/consultation/findings'
import { isOnSide, SIDE_IDS } from '#core/face/sides'
import { readings } from '#core/skin/readingShapes'
import { consentKinds, wholeReading } from './care'
import { homeAsked } from './home'
import { protocolRef } from './method'
import { aims, day, id, line, moment, regions, said, school, version, zoneId } from './common'
import { ownWay } from './ownWays'

const visitMinutes = z
  .int('whole minutes')
  .min(VISIT_MINUTES.least, `at least ${VISIT_MINUTES.least} minutes`)
  .max(VISIT_MINUTES.most, `at most ${VISIT_MINUTES.most} minutes`)
export const visitCreate = z.strictObject({
  id,
  clientId: id,
  staffId: id,
  roomId: id,
  startsAt: moment,
  minutes: visitMinutes,
  /** Why it stands although it is in the way of another: an owner's word. */
  allowedBecause: said(200).optional(),
})
export const visitPatch = z.strictObject({
  version,
  startsAt: moment.optional(),
  minutes: visitMinutes.optional(),
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
  /** Nothing: it stands again, where its place is still free. */
  fellAway: z
    .strictObject({ as: z.enum(['calledOff', 'noShow']), because: line(200) })
    .nullable()
    .optional(),
  lateMinutes: z.int('whole minutes').min(0, '0 to 120').max(120, '0 to 120').optional(),
  /** How it was taken, as the client says at its end. */
  taken: z.enum(['well', 'badly']).nullable().optional(),
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
  strength: z.enum(HOME_STRENGTH_IDS).optional(),
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
export const token = z.string().regex(/^[A-Za-z0-9_-]{43}$/, 'not a link of this practice')
export const formOpen = z.strictObject({ token })
export const formSubmit = z.strictObject({
  token,
  answers,
  medicines: line(2000),
  home: homeAsked.nullable().default(null),
})
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
  .max(STEP_MOST.minutes, `at most ${STEP_MOST.minutes} minutes`)
  .refine(isWholeTicks, 'whole half-minutes') as unknown as z.ZodType<Minutes, number>
const bareStep = z.strictObject({
  key: z.string().regex(/^[a-zA-Z]{3,30}-\d{1,3}$/, 'a step key'),
  technique: z.enum(TECHNIQUE_IDS),
  /** The practice's own way of it. */
  own: ownWay.optional(),
  regions,
  /** Of zones with a left and a right only this half. */
  half: z.enum(SIDE_IDS).optional(),
  minutes: halfMinutes,
  passes: z.int().min(1).max(STEP_MOST.passes).optional(),
  setting: z.number().min(0).max(STEP_MOST.setting).optional(),
  productId: said(60).optional(),
  pinned: z.boolean().optional(),
  why: z.array(z.strictObject({ rule: said(60), text: line(300) })).max(12),
})
export const planStep = bareStep
  .refine(
    ({ own, technique }) => own === undefined || own.from === technique,
    'a way of this technique',
  )
  .refine(
    ({ half, regions }) => half === undefined || isOnSide({ half, regions }),
    'zones of the half that is worked',
  )
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

const key = said(40)
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
