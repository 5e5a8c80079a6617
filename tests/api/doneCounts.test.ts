import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from 'vitest'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { readParts } from '#core/visit/record'
import { fold } from '#core/treatment/fold/fold'
import type { EventBody, TreatmentEvent } from '#core/treatment/taps/events'
import { toPlanInput } from '#core/visit/planInput'
import { foldContext } from '#core/visit/roomContext'
import { signedIn, testUrl, type Caller } from '../support/http'
import { bundleOf, prepared, someone, tap, treating } from '../support/visit'

const base = testUrl()
const MINUTE = 60_000
let owner: Caller
beforeAll(async () => {
  owner = await signedIn(base, 'owner')
})
const stepsOf = async (id: string): Promise<PlanStep[]> =>
  (await bundleOf(owner, id)).plans.find((plan) => plan.version === 1)?.steps ?? []
const send = (id: string, events: TreatmentEvent[], sentAt?: number) =>
  owner(`/api/visits/${id}/events`, {
    method: 'POST',
    body: { events, ...(sentAt === undefined ? {} : { sentAt }) },
  })
const stateOf = async (id: string) => {
  const bundle = await bundleOf(owner, id)
  return fold(bundle.events, foldContext(bundle, toPlanInput(bundle)))
}

/** Every step a little longer than planned; what rests overruns, one hold lies over a step's end. */
function treatedFully(steps: readonly PlanStep[], began: number): TreatmentEvent[] {
  const events: TreatmentEvent[] = [tap({ kind: 'started' }, began)]
  let at = began
  steps.forEach((step, i) => {
    const end = at + (step.minutes + 1) * MINUTE
    if (i === 2) events.push(tap({ kind: 'held' }, end - MINUTE))
    events.push(tap({ kind: 'stepDone', key: step.key, cue: true }, end))
    if (i === 2) events.push(tap({ kind: 'resumed' }, end + MINUTE / 2))
    at = end
  })
  events.push(tap({ kind: 'finished' }, at + MINUTE))
  return events
}

describe('what was done, and not what was planned', () => {
  it('stands in the record, in the ledger and on the next visit', async () => {
    const client = await someone(owner, 'Done Counts')
    const id = await treating(owner, 'owner', client)
    const steps = await stepsOf(id)
    const began = Date.now() - (steps.reduce((sum, step) => sum + step.minutes + 1, 0) + 5) * MINUTE
    const cream = steps.find((step) => step.technique === 'moisturiser')
    const burned: EventBody = {
      kind: 'contraAction',
      what: 'burning',
      where: ['cheekL'],
      done: 'off with cool water',
      suspected: cream?.productId ?? null,
    }
    const events = [
      ...treatedFully(steps, began),
      tap({ kind: 'sensation', grade: 6, region: 'cheekL', key: cream?.key ?? null }, began + 9000),
      tap(burned, began + 10_000),
    ]
    expect((await send(id, events)).status).toBe(200)
    const state = await stateOf(id)
    const third = state.done[2]
    expect(third && third.heldMs).toBe(MINUTE)
    for (const own of state.done) expect(own.endedAt - own.beganAt).toBeGreaterThanOrEqual(0)
    const sealing = await owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '' } })
    expect(sealing.status, sealing.text).toBe(200)
    const bundle = await bundleOf(owner, id)
    const { treatment } = readParts(bundle.record)
    const line = treatment?.lines.find((own) => own.key === steps[1]?.key)
    expect(line?.actualMinutes).toBe((steps[1]?.minutes ?? 0) + 1)
    const work = bundle.record.find((part) => part.name === 'work')?.content as {
      loads: Record<string, number>
      taken: string
    }
    expect(work.taken).toBe('badly')
    const planned = steps.reduce(
      (sum, { technique, minutes, regions }) =>
        sum +
        (TECHNIQUES[technique].load?.per === 'handsMinute' && regions.includes('chin')
          ? minutes
          : 0),
      0,
    )
    if (planned > 0) expect(work.loads.chin ?? 0).toBeGreaterThan(0)
    // The next visit: the load is there, the bottle is not, and the plan steps down.
    const next = await prepared(owner, 'owner', client)
    const bundleNext = await bundleOf(owner, next)
    const cleanse = bundleNext.lastTime?.times.find((own) => own.technique === steps[1]?.technique)
    expect(cleanse?.minutes).toBe((steps[1]?.minutes ?? 0) + 1)
    const input = toPlanInput(bundleNext)
    expect(input.suspected[cream?.productId ?? '']).toBeDefined()
    expect(input.verdict.limitRules.map((rule) => rule.rule)).toContain('took-badly')
    const then = (await bundleOf(owner, next)).plans.at(-1)?.steps ?? []
    expect(then.map((step) => step.productId)).not.toContain(cream?.productId)
  })
  it('a visit tapped through in a moment is sealed only when asked, and draws nothing', async () => {
    const id = await treating(owner, 'owner', await someone(owner, 'Tapped Through'))
    const steps = await stepsOf(id)
    const now = Date.now() - 5000
    const left = async () =>
      (await bundleOf(owner, id)).shelf.flatMap(({ lots }) =>
        lots.map((lot) => [lot.id, lot.remainingMillilitres]),
      )
    const before = await left()
    await send(id, [
      tap({ kind: 'started' }, now),
      ...steps.map((step, i) => tap({ kind: 'stepDone', key: step.key, cue: true }, now + i)),
      tap({ kind: 'finished' }, now + 1000),
    ])
    const seal = (asItStands: boolean) =>
      owner(`/api/visits/${id}/seal`, { method: 'POST', body: { text: '', asItStands } })
    expect((await seal(false)).status).toBe(422)
    expect((await seal(true)).status).toBe(200)
    expect(await left()).toEqual(before)
  })
})

describe('two tablets', () => {
  it('one an hour ahead, one away for ten minutes: one state, right minutes, nothing lost', async () => {
    const id = await treating(owner, 'owner', await someone(owner, 'Two Tablets'))
    const steps = await stepsOf(id)
    const [first, second, third] = steps
    if (!first || !second || !third) throw new Error('no plan')
    const hour = 3_600_000
    const now = Date.now()
    const began = now - 20 * MINUTE
    const ahead = { deviceId: randomUUID() }
    const away = { deviceId: randomUUID() }
    const done = (step: PlanStep): EventBody => ({ kind: 'stepDone', key: step.key, cue: true })
    const fromAhead = [
      tap({ kind: 'started' }, began + hour, { ...ahead, seq: 0 }),
      tap(done(first), began + 4 * MINUTE + hour, { ...ahead, seq: 1 }),
      tap(done(third), began + 16 * MINUTE + hour, { ...ahead, seq: 2 }),
    ]
    const fromAway = [
      tap(done(second), began + 9 * MINUTE, { ...away, seq: 0 }),
      tap({ kind: 'note', text: 'asleep' }, began + 10 * MINUTE, { ...away, seq: 1 }),
      tap(done(second), began + 11 * MINUTE, { ...away, seq: 2 }),
    ]
    expect((await send(id, fromAhead, now + hour)).status).toBe(200)
    expect((await send(id, fromAway, now)).status).toBe(200)
    expect((await send(id, fromAhead, now + hour)).status).toBe(200)
    const state = await stateOf(id)
    const took = state.done.map((own) => Math.round((own.endedAt - own.beganAt) / MINUTE))
    expect(state.done.map((own) => own.key)).toEqual([first.key, second.key, third.key])
    expect(took).toEqual([4, 5, 7])
    expect(state.notes.map((note) => note.text)).toEqual(['asleep'])
  })
})
