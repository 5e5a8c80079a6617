import { costOfDone, plannedCost } from '#core/cost/ofVisit'
import { doseOf } from '#core/dosing/layers'
import { productIn } from '#core/catalogue/products/products'
import { areaOf, REGION_NAMES } from '#core/face/regions'
import { askedBeforeDone } from '#core/treatment/order/beforeDone'
import { dialOf, productUsed, restingNow, stopRegions } from '#core/treatment/order/atHand'
import { layNext, layWords, stillToLay } from '#core/treatment/order/layNext'
import { momentsOf, endedKeys } from '#core/treatment/order/moments'
import { offNext } from '#core/treatment/order/offNext'
import { minutesAhead, minutesLeft, minutesShort } from '#core/treatment/order/pace'
import { attendedNow, stayWords } from '#core/treatment/fold/attended'
import { runningMs } from '#core/treatment/fold/clocks'
import { fold } from '#core/treatment/fold/fold'
import type { FoldContext, RoomState } from '#core/treatment/fold/fold'
import { absorbedOf, thirstyNow } from '#core/treatment/step/absorption'
import { cleanEnough, usualPads } from '#core/treatment/step/cleanEnough'
import { countTrouble, missedZones, unevenSides, zoneCountOf } from '#core/treatment/step/counting'
import { cueOf } from '#core/treatment/step/cue'
import { halfTimesNow, halfWords } from '#core/treatment/step/halfTime'
import { ladderAt } from '#core/treatment/step/ladder'
import { promptAt } from '#core/treatment/step/prompts'
import { placeAt, sequenceOf } from '#core/treatment/step/sequence'
import { topUpNow } from '#core/treatment/step/slip'
import { soakAt } from '#core/treatment/step/soak'
import { notReady } from '#core/treatment/step/surfaceNow'
import { spotsDue, sweepWith } from '#core/treatment/step/sweep'
import { wayOff } from '#core/treatment/step/wayOff'
import { courses, looksDue } from '#core/treatment/stop/rednessCourse'
import { leftWords, stepsAsWorked } from '#core/treatment/stop/leftZones'
import { stopClock } from '#core/treatment/stop/stopClock'
import { suspectBottles, suspectedWords, suspectWork } from '#core/treatment/stop/suspects'
import { trayFor } from '#core/tray/tray'
import { fromMilliseconds } from '#core/units'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { shortName } from '#core/catalogue/techniques/traits'
import type { PlanInput } from '#core/planning/input'
import type { VisitBundle } from '#core/visit/bundle'
import { toPlanInput } from '#core/visit/planInput'
import { readParts, recordParts, stepsDone } from '#core/visit/record'
import { foldContext } from '#core/visit/roomContext'
import { todayOf } from '#core/visit/today'
import { livedBundle, type Script } from './lived'

/** Everything that is looked at, at one moment of a visit. */
interface Look {
  bundle: VisitBundle
  input: PlanInput
  context: FoldContext
  state: RoomState
  steps: readonly PlanStep[]
  /** The step at hand, where there is one. */
  step: PlanStep | undefined
  now: number
  ran: number
}
const rounded = (value: number) => Math.round(value * 100) / 100
const minutesOf = (ms: number) => rounded(fromMilliseconds(ms))

/** What the room says, by what it is said of: nothing where it says nothing. */
const SAYS: Readonly<Record<string, (look: Look) => unknown>> = {
  'at hand': ({ state, ran }) => `${state.current?.key ?? 'none'} ${minutesOf(ran)}`,
  rests: ({ state, steps, now }) =>
    restingNow(state, steps, now).map(
      (own) => `${own.name} ${minutesOf(own.ms)} ${own.word} ${own.quiet} ${own.joules ?? ''}`,
    ),
  'next on': ({ state, steps, context, now }) => {
    const next = layNext(state, steps, steps, context.dwellOf, now)
    if (!next) return undefined
    const named = (key: string) => {
      const step = steps.find((own) => own.key === key)
      return step ? shortName(step.technique) : key
    }
    const planned = stillToLay(state, steps)[0]?.key
    return [layWords(next, named, planned), next.begin, next.by, next.inTime]
  },
  'next off': ({ state, steps, now }) => {
    const off = offNext(state, steps, now)
    return (
      off && [
        off.order.map(({ id, begin, late }) => [id, rounded(begin), rounded(late)]),
        rounded(off.beginBy),
      ]
    )
  },
  pace: ({ state, steps, bundle, now }) => {
    const slot = { startsAt: bundle.visit.startsAt, minutes: bundle.visit.minutes }
    return [
      minutesAhead(state, steps, now),
      minutesLeft(state, slot, now),
      rounded(minutesShort(state, steps, slot, now)),
    ]
  },
  'before it ends': ({ state, steps, step, now }) =>
    step && askedBeforeDone(state, steps, step, now),
  counts: ({ state, step }) => {
    const count = step && zoneCountOf(state, step)
    return (
      count && [
        count.least,
        count.most,
        ...unevenSides(count),
        missedZones(count) ?? '',
        ...step.regions.flatMap((region) => countTrouble(count, region) ?? []),
      ]
    )
  },
  pads: ({ state, step, bundle }) => {
    const worn = bundle.visit.makeUp ?? []
    return step && cleanEnough(state.pads[step.key] ?? [], usualPads(step, worn))?.say
  },
  cue: ({ step }) => step && cueOf(step).cue,
  halves: ({ state, step, now }) =>
    step && state.sides[step.key] && halfWords(step, halfTimesNow(state, step.key, now), 'lamp'),
  device: ({ state, step, input, now }) => {
    const dial = step && dialOf(state, step, input)
    if (!step || !dial) return undefined
    const ladder = ladderAt(state, step.key, dial, state.current?.since ?? now, now)
    return [dial.least, dial.value, dial.most, JSON.stringify(ladder)]
  },
  prompt: ({ step, ran, bundle, input }) =>
    step &&
    promptAt(
      step,
      fromMilliseconds(ran),
      bundle.visit.makeUp ?? [],
      productIn(input.shelf, step.productId),
    ),
  'where now': ({ step, ran }) => step && placeAt(sequenceOf(step), fromMilliseconds(ran))?.say,
  medium: ({ step, ran, input }) => {
    const bottle = step && productIn(input.shelf, step.productId)
    if (!step || !bottle) return undefined
    return topUpNow(step, input.profile, {
      ...{ bottle, laid: doseOf(step, bottle, input).millilitres },
      ...{ area: areaOf(step.regions, input.faceSize), ranMs: ran },
    })?.words
  },
  soak: ({ step, ran, bundle }) =>
    step && soakAt(step, bundle.visit.makeUp ?? [], fromMilliseconds(ran))?.say,
  'skin now': ({ state, steps, step, input }) =>
    step && notReady(state, steps, [step], input)?.words,
  spots: ({ state, steps, step }) => [
    spotsDue(state, steps).join(),
    step ? sweepWith(state, steps, step, undefined).spots.join() : '',
  ],
  'way off': ({ state, steps, step, now }) => step && wayOff(state, steps, step, now),
  stay: ({ state, steps, step }) => stayWords(attendedNow(state, steps, step)),
  drank: ({ state, steps, bundle }) => [
    absorbedOf(state, steps)?.key ?? '',
    thirstyNow(bundle.events, bundle.plans, []).join(),
  ],
  redness: ({ state, steps, context, now }) => {
    const all = courses(state, steps, context.baseline, now)
    return [
      ...all.map(({ region, expectedNow, lookAt, baseline }) =>
        [
          REGION_NAMES[region],
          baseline,
          rounded(expectedNow),
          lookAt ? minutesOf(lookAt - now) : '',
        ].join(' '),
      ),
      looksDue(all, now).join(),
    ]
  },
  left: ({ state, steps }) => [
    ...leftWords(state.left),
    stepsAsWorked(steps, state).reduce((sum, { regions }) => sum + regions.length, 0),
  ],
  stop: ({ state, now }) => [
    stopRegions(state).join(),
    JSON.stringify(stopClock(state, now) ?? ''),
  ],
  suspects: ({ state, context }) => [
    suspectBottles(state, context).join(),
    ...suspectWork(state, context).map(suspectedWords),
  ],
  moments: ({ state, steps }) =>
    momentsOf(steps, endedKeys(state)).map(({ main, ticks, minutes }) =>
      [main.key, ticks.length, minutes].join(' '),
    ),
  bottle: ({ state, step }) => step && productUsed(state, step),
  breaches: ({ state }) => [state.breaches.length, state.unknown.length, state.unconfirmed.length],
}

/** What a visit said from tap to tap: each of these where it changed, with the minute; then what was written. */
export function saidIn(script: Script): Record<string, readonly string[]> {
  const whole = livedBundle(script)
  const out: Record<string, string[]> = {}
  const last: Record<string, string> = {}
  for (const [place] of whole.events.entries()) {
    const bundle = { ...whole, events: whole.events.slice(0, place + 1) }
    const input = toPlanInput(bundle)
    const context = foldContext(bundle, input)
    const state = fold(bundle.events, context)
    const tapped = whole.events[place]?.at ?? 0
    const next = whole.events[place + 1]?.at ?? tapped + 60_000
    // Between two taps as well as at them: clocks go on.
    for (const now of [tapped, tapped + (next - tapped) * 0.7]) {
      const steps = bundle.plans[0]?.steps ?? []
      const step = steps.find(({ key }) => key === state.current?.key)
      const look = { bundle, input, context, state, steps, step, now, ran: runningMs(state, now) }
      for (const [what, say] of Object.entries(SAYS)) {
        const said = JSON.stringify(say(look) ?? '')
        if (said === last[what]) continue
        last[what] = said
        ;(out[what] ??= []).push(`${minutesOf(now - whole.visit.at)}: ${said}`)
      }
    }
  }
  return { ...out, ...writtenOf(whole) }
}

/** The record, the card, what it weighed, what lay there and what it cost, once all is over. */
function writtenOf(bundle: VisitBundle): Record<string, string[]> {
  const closed = { ...bundle, visit: { ...bundle.visit, status: 'closing' as const } }
  const input = toPlanInput(closed)
  const state = fold(closed.events, foldContext(closed, input))
  const { treatment, aftercare, work } = readParts(recordParts(closed, 'words'))
  const { residual, verdict } = todayOf(closed)
  const costs = { roomHour: 1400, personHour: 2600, wash: 45, pad: 4, tissue: 2, deviceUse: 120 }
  const steps = closed.plans[0]?.steps ?? []
  const tray = trayFor(input, steps)
  return {
    record: (treatment?.lines ?? []).map((line) => JSON.stringify(line)),
    'what was seen': [
      JSON.stringify({ ...treatment, lines: undefined, readings: undefined, startedAt: undefined }),
    ],
    card: aftercare.map((line) => `${line.rule} ${line.until}`),
    work: [JSON.stringify(work)],
    residual: [JSON.stringify(residual), JSON.stringify(verdict.limit)],
    tray: [
      ...tray.products.map(({ key, amount, extra, lot }) =>
        [key, amount.words, extra, lot].join(' '),
      ),
      ...tray.linen.map(({ name, count }) => `${count} ${name}`),
      ...tray.devices.map(({ kind, switchOnMinute }) => `${kind} ${switchOnMinute}`),
      ...tray.mixes.map(({ key, atMinute, mix }) => `${key} ${atMinute} ${JSON.stringify(mix)}`),
      ...tray.confirms.map(({ say }) => say),
      ...tray.missing,
    ],
    cost: [
      ...plannedCost(input, steps, 60, costs),
      ...(treatment ? costOfDone(input, stepsDone(closed, state), treatment, 60, costs) : []),
    ].map(({ what, name, cents }) => `${what} ${name} ${cents}`),
  }
}
