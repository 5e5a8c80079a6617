import type { MakeUpId } from '#core/catalogue/consultation/makeUp'
import type { ConcernId } from '#core/catalogue/kinds'
import type { SchoolId } from '#core/catalogue/schools/schools'
import type { TechniqueId } from '#core/catalogue/techniques/techniques'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { SIGNS } from '#core/catalogue/rules/grading'
import { randomUUID } from 'node:crypto'
import { DateTime } from 'luxon'
import { toPlanInput } from '#core/visit/planInput'
import type { VisitBundle } from '#core/visit/bundle'
import { planHash } from '#core/record/planHash'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import type { Answers } from '#core/screening/asking/answers'
import type { Readings } from '#core/skin/readings'
import type { EventBody, TreatmentEvent } from '#core/treatment/taps/events'
import { demoId } from '#db/demo/ids'
import type { Caller, Reply } from './http'
import { proposedBefore, proposedNow } from './proposals'

export const STAFF = {
  owner: demoId('ilse'),
  therapist: demoId('tomas'),
  trainee: demoId('amara'),
} as const
export const ROOM = demoId('room-lake')
/**
 * A moment that is likely free: each booking of a file on a later day than the one before, at an
 * hour that other files have hardly taken.
 */
const FIRST_DAY = 40
let lastDay = FIRST_DAY
/** Each file begins with the same days, whatever ran before it. */
export function beginBookings(): void {
  lastDay = FIRST_DAY
}
function someMoment(): string {
  const day = new Date(Date.now() + ++lastDay * 86_400_000).toISOString().slice(0, 10)
  const minute = 5 * 60 + 75 * Math.floor(Math.random() * 12)
  const clock = [Math.floor(minute / 60), minute % 60].map((part) => String(part).padStart(2, '0'))
  return `${day}T${clock.join(':')}:00Z`
}
/** So often another moment is taken where somebody has been faster. */
const TRIES = 40

export async function bundleOf(call: Caller, id: string): Promise<VisitBundle> {
  return (await call(`/api/visits/${id}`)).body as VisitBundle
}

/** A client of their own, so that nothing of another test stands. */
export async function someone(
  call: Caller,
  name = 'Care Test',
  born = '1985-04-04',
): Promise<string> {
  const id = randomUUID()
  const reply = await call('/api/people', {
    method: 'POST',
    body: {
      id,
      name,
      born,
      phone: '',
      email: '',
      work: '',
      medicines: '',
      notes: '',
      faceHeightMm: 190,
      faceWidthMm: 140,
    },
  })
  if (reply.status !== 200) throw new Error(reply.text)
  return id
}
const clientId = (key: string) => (/^[0-9a-f]{8}-[0-9a-f]{4}-/.test(key) ? key : demoId(key))

/** Books a visit for a person: a client by their key in the demo, or by id. */
export async function book(
  call: Caller,
  who: keyof typeof STAFF,
  client = 'other-20',
  minutes = 60,
): Promise<string> {
  const id = randomUUID()
  const rest = { id, clientId: clientId(client), staffId: STAFF[who], roomId: ROOM, minutes }
  let said = ''
  for (let tries = 0; tries < TRIES; tries++) {
    const body = { ...rest, startsAt: someMoment() }
    const reply = await call('/api/visits', { method: 'POST', body })
    if (reply.status === 200) return id
    said = reply.text
    if (reply.status !== 409) break
  }
  throw new Error(said)
}

/** What a client of the tests says the visit is for. */
const TOLD_AIMS: readonly ConcernId[] = ['dehydration', 'rest']

/** What a visit is for, and how the skin reads, where a test needs other than the usual. */
export interface Wants {
  aims?: readonly ConcernId[]
  named?: readonly TechniqueId[]
  makeUp?: readonly MakeUpId[]
  school?: SchoolId
  zones?: Readings
  answers?: Answers
  /** How long it is booked for. */
  minutes?: number
}

const writing =
  (call: Caller, id: string) => async (path: string, method: string, body: unknown) => {
    const reply = await call(`/api/visits/${id}${path}`, { method, body })
    if (reply.status !== 200) throw new Error(`${path}: ${reply.text}`)
  }

/** Asked, consented and read; nothing planned yet. */
export async function asked(
  call: Caller,
  who: keyof typeof STAFF,
  client = 'other-20',
  wants: Wants = {},
): Promise<string> {
  const id = await book(call, who, client, wants.minutes ?? 60)
  await askedAt(call, id, wants)
  return id
}

/** The same of a visit that is booked. */
async function askedAt(
  call: Caller,
  id: string,
  { zones = readAll(RESILIENT), answers = allNo(), minutes: _booked, ...wants }: Wants,
): Promise<void> {
  const must = writing(call, id)
  const { version } = (await bundleOf(call, id)).visit
  await must('', 'PATCH', { aims: TOLD_AIMS, makeUp: ['light'], ...wants, version })
  await must('/answers', 'PUT', { id: randomUUID(), answers, medicines: '' })
  await must('/consent', 'POST', {
    id: randomUUID(),
    method: 'typed',
    name: 'A Client',
    confirmed: true,
    guardian: false,
    kinds: ['care', 'exfoliation', 'machine', 'current'],
  })
  await must('/readings', 'POST', { id: randomUUID(), phase: 'madeUp', zones })
}

/** Asked, consented, read and planned: ready to start. */
export async function prepared(
  call: Caller,
  who: keyof typeof STAFF,
  client = 'other-20',
  wants: Wants = {},
): Promise<string> {
  const id = await book(call, who, client, wants.minutes ?? 60)
  await preparedAt(call, id, wants)
  return id
}

/** The same of a visit that is booked. */
export async function preparedAt(call: Caller, id: string, wants: Wants = {}): Promise<void> {
  await askedAt(call, id, wants)
  const input = toPlanInput(await bundleOf(call, id))
  const steps = proposedBefore(input)
  const known = steps && (await call(`/api/visits/${id}/plan`, { method: 'PUT', body: { steps } }))
  if (known?.status === 200) return
  await writing(call, id)('/plan', 'PUT', { steps: proposedNow(input) })
}

/** What a save of the draft says it has seen. */
export async function seenOf(call: Caller, id: string): Promise<string | null> {
  const draft = (await bundleOf(call, id)).plans.find((plan) => plan.version === 0)
  return draft ? planHash(draft.steps) : null
}

/** Signed by a colleague, as the plan stands now. */
export async function countersigned(call: Caller, id: string, version = 0): Promise<Reply> {
  const plan = (await bundleOf(call, id)).plans.find((one) => one.version === version)
  const body = { version, hash: planHash(plan?.steps ?? []) }
  return call(`/api/visits/${id}/countersign`, { method: 'POST', body })
}

/** Under way. A trainee's plan is countersigned by the caller, who is a senior then. */
export async function treating(
  call: Caller,
  who: keyof typeof STAFF,
  client = 'other-20',
  wants: Wants = {},
): Promise<string> {
  const id = await prepared(call, who, client, wants)
  if (who === 'trainee') await countersigned(call, id)
  const reply = await call(`/api/visits/${id}/start`, { method: 'POST' })
  if (reply.status !== 200) throw new Error(reply.text)
  return id
}

let seq = 0
export const tap = (
  body: EventBody,
  at = Date.now(),
  more: Partial<TreatmentEvent> = {},
): TreatmentEvent => ({
  id: randomUUID(),
  at,
  deviceId: '0000aaaa-0000-4000-8000-000000000001',
  seq: seq++,
  planVersion: 1,
  body,
  ...more,
})

/** Every step tapped done, a minute each or as planned, then finished. */
export async function throughTheRoom(
  call: Caller,
  id: string,
  minutesOf: (step: PlanStep) => number = () => 1,
): Promise<void> {
  const bundle = await bundleOf(call, id)
  const steps = bundle.plans.find((plan) => plan.version === 1)?.steps ?? []
  let at = Date.now() - steps.reduce((sum, step) => sum + minutesOf(step), 1) * 60_000
  const events = [
    tap({ kind: 'started' }, at),
    ...steps.map((step) =>
      tap({ kind: 'stepDone', key: step.key, cue: true }, (at += minutesOf(step) * 60_000)),
    ),
    tap({ kind: 'finished' }, at + 1000),
  ]
  const reply = await call(`/api/visits/${id}/events`, { method: 'POST', body: { events } })
  if (reply.status !== 200) throw new Error(reply.text)
}

export async function sealedVisit(
  call: Caller,
  who: keyof typeof STAFF,
  client = 'other-20',
): Promise<string> {
  const id = await treating(call, who, client)
  await throughTheRoom(call, id)
  const reply = await call(`/api/visits/${id}/seal`, {
    method: 'POST',
    body: { text: 'Went well.' },
  })
  if (reply.status !== 200) throw new Error(reply.text)
  return id
}

/** A moment by the clock on the wall of the house, as the wire has it: "2033-03-02", "11:00". */
export const byTheWall = (day: string, time: string): string =>
  DateTime.fromISO(`${day}T${time}`, { zone: process.env.OAK_DEMO_ZONE ?? 'UTC' })
    .toUTC()
    .toISO({ suppressMilliseconds: true }) ?? ''

/** An answer from home in which nothing is amiss. */
export const ALL_CALM = Object.fromEntries(
  SIGNS.flatMap(({ id, choices, askedWith }) =>
    askedWith === undefined ? [[id, choices[0]?.value]] : [],
  ),
)
