import { randomUUID } from 'node:crypto'
import type { Place } from '#contracts/replies/house'
import { propose } from '#core/planning/answer/propose'
import { toPlanInput } from '#core/visit/planInput'
import { allNo, readAll, RESILIENT } from '#core/testing/fixtures'
import type { PlanStep } from '#core/catalogue/techniques/step'
import type { TreatmentEvent } from '#core/treatment/taps/events'
import type { Caller } from '../../support/http'
import type { Seeded } from '../../support/seeded'
import { bundleOf, tap } from '../../support/visit'
import { must } from './smallHouse'

const MINUTE_MS = 60_000

export interface Booked {
  id: string
  clientId: string
  staffId: string
  roomId: string
  startsAt: number
  minutes: number
}

/**
 * Books a client into one of the places the house offers for a day; whatever it offers must be
 * taken.
 * @returns nothing where the day offers none
 */
export async function bookOffered(
  call: Caller,
  {
    clientId,
    day,
    minutes,
    chance,
  }: {
    clientId: string
    day: string
    minutes: number
    chance: Seeded
  },
): Promise<Booked | undefined> {
  const places = (await must(
    call,
    'GET',
    `/api/places?from=${day}&days=1&minutes=${minutes}`,
  )) as Place[]
  // Early in the day mostly, as a desk fills it.
  const place = chance.oneOf(places.slice(0, 4))
  if (!place) return undefined
  const { startsAt, staffId, roomId } = place
  const booked = { id: randomUUID(), clientId, staffId, roomId, startsAt, minutes }
  await must(call, 'POST', '/api/visits', {
    ...booked,
    startsAt: new Date(startsAt).toISOString(),
  })
  return booked
}

/** Asked, signed, read and planned. */
export async function prepare(call: Caller, { id }: Booked): Promise<readonly PlanStep[]> {
  const path = `/api/visits/${id}`
  await must(call, 'PUT', `${path}/answers`, {
    ...{ id: randomUUID(), answers: allNo(), medicines: '' },
  })
  await must(call, 'POST', `${path}/consent`, {
    ...{ id: randomUUID(), method: 'typed', name: 'A Client', confirmed: true, guardian: false },
    kinds: ['care', 'exfoliation', 'machine', 'current'],
  })
  await must(call, 'POST', `${path}/readings`, {
    ...{ id: randomUUID(), phase: 'madeUp', zones: readAll(RESILIENT) },
  })
  const plan = propose(toPlanInput(await bundleOf(call, id)))
  if (plan.failed) throw new Error(plan.failed.text)
  await must(call, 'PUT', `${path}/plan`, { steps: plan.steps })
  return plan.steps
}

/** What a house that lives ahead of the clock does with a visit. */
interface Ahead {
  onItsDay: (id: string, at: number) => Promise<void>
  leave: (visit: Booked) => void
}
/**
 * A visit from the questions to the seal.
 * @returns the steps that were done
 * @param how.stopped ends it by the client's word half-way; how.late leaves the write-up for later
 */
export async function live(
  call: Caller,
  visit: Booked,
  { stopped, late, odd }: { stopped: boolean; late: boolean; odd: Ahead },
) {
  const path = `/api/visits/${visit.id}`
  const steps = await prepare(call, visit)
  await must(call, 'POST', `${path}/start`)
  await must(call, 'POST', `${path}/events`, { events: tapsOf(steps, stopped) })
  await odd.onItsDay(visit.id, visit.startsAt)
  if (late) odd.leave(visit)
  else await must(call, 'POST', `${path}/seal`, { text: 'Went well.' })
  return stopped ? steps.slice(0, Math.ceil(steps.length / 2)) : steps
}

/** Each step by its own minutes, ended just now. */
function tapsOf(steps: readonly { key: string; minutes: number }[], stopped: boolean) {
  const done = stopped ? steps.slice(0, Math.ceil(steps.length / 2)) : steps
  let at = Date.now() - done.reduce((sum, { minutes }) => sum + minutes, 1) * MINUTE_MS
  const events: TreatmentEvent[] = [tap({ kind: 'started' }, at)]
  for (const { key, minutes } of done)
    events.push(tap({ kind: 'stepDone', key, cue: true }, (at += minutes * MINUTE_MS)))
  if (stopped) events.push(tap({ kind: 'stopped', reason: 'asked to stop' }, at + 500))
  events.push(tap({ kind: 'finished' }, at + 1000))
  return events
}

const CLEANING_MS = 10 * MINUTE_MS
const end = ({ startsAt, minutes }: Booked) => startsAt + minutes * MINUTE_MS
/** Pairs of visits that stand in each other's way: by person, client, or room with its cleaning. */
export const clashes = (stands: readonly Booked[]): [string, string][] =>
  stands.flatMap((one) =>
    stands.flatMap((other): [string, string][] => {
      if (one === other || one.startsAt > other.startsAt) return []
      const inTheWay =
        ((one.staffId === other.staffId || one.clientId === other.clientId) &&
          end(one) > other.startsAt) ||
        (one.roomId === other.roomId && end(one) + CLEANING_MS > other.startsAt)
      return inTheWay ? [[one.id, other.id]] : []
    }),
  )
