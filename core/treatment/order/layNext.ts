import { LOOK_AHEAD_MINUTES, MOST_MASKS } from '../../catalogue/rules/room'
import type { PlanStep } from '../../catalogue/techniques/step'
import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import { removalMinutes } from '../../timing/removal'
import { stagger, type HandAction, type MaskTask } from '../../timing/stagger'
import {
  fromMilliseconds,
  fromTicks,
  minutes,
  ticksWithin,
  toTicks,
  type Minutes,
} from '../../units'
import { runningMs } from '../fold/clocks'
import type { FoldContext, RestingNow, RoomState } from '../fold/roomState'

/** What hands do next so that everything that rests, and that is still to be put on, is in time. */
export interface LayNext {
  /** Nothing of it can be put on any more without something coming off late. */
  inTime: boolean
  /** The first thing to do: put this on, or take this off before. */
  first?: { key: string; do: 'on' | 'off' }
  /** Minutes from now at which that begins, and by when it has to. */
  begin: Minutes
  by: Minutes
}

/** The same in words: only what is not simply the next step of the plan is worth saying. */
export function layWords(
  next: LayNext,
  nameOf: (key: string) => string,
  planned: string | undefined,
): string {
  if (!next.inTime) return 'The next mask would not come off in time: leave it out.'
  if (!next.first) return ''
  const name = nameOf(next.first.key)
  const waits = next.begin > 0 ? `, in ${next.begin} min` : ''
  if (next.first.do === 'off') return `${name} comes off before anything more goes on${waits}.`
  if (next.first.key !== planned || next.begin > 0) return `${name} goes on next${waits}.`
  return `${name}: begun within ${next.by} min, all come off in time.`
}

/**
 * What is still put on in one go with what rests: the steps of the plan from the one at hand, as
 * far as something comes off.
 * @param steps of the plan that is worked by
 */
export function stillToLay(state: RoomState, steps: readonly PlanStep[]): PlanStep[] {
  const from = steps.findIndex(({ key }) => key === state.current?.key)
  if (from < 0) return []
  const ahead = steps.slice(from)
  const off = ahead.findIndex(({ technique }) => TECHNIQUES[technique].removes)
  return ahead
    .slice(0, off < 0 ? ahead.length : off)
    .filter(({ technique }) => TECHNIQUES[technique].dwell !== undefined)
}

/**
 * The exact stagger from now, live: what rests, with what is left of its window, and what is still
 * to be put on.
 * @param steps of the plan that is worked by; `every` of all its versions
 * @returns undefined where nothing rests or nothing is still to be put on
 */
export function layNext(
  state: RoomState,
  steps: readonly PlanStep[],
  every: readonly PlanStep[],
  dwellOf: FoldContext['dwellOf'],
  now: number,
): LayNext | undefined {
  const lies = resting(state, every, now)
  const toLay = stillToLay(state, steps).flatMap((step) => laid(state, step, dwellOf, now))
  if (lies.length === 0 || toLay.length === 0 || lies.length + toLay.length > MOST_MASKS)
    return undefined
  const late = { inTime: false, begin: fromTicks(0), by: fromTicks(0) }
  if (lies.some(({ latest }) => latest < 0)) return late
  const planned = asPlanned(lies, toLay)
  const first = planned ?? stagger([...lies, ...toLay])?.actions[0]
  if (!first) return late
  return {
    inTime: true,
    first: { key: first.id, do: first.do },
    begin: fromTicks(first.wait),
    by: fromTicks(latestStart(lies, toLay, first, planned !== undefined)),
  }
}

/** What the plan has next goes on next, at once, wherever all still come off in time after it. */
function asPlanned(
  lies: readonly MaskTask[],
  [next, ...others]: readonly MaskTask[],
): HandAction | undefined {
  if (!next) return undefined
  const then = lies.map((task) => later(task, next.on))
  if (then.some(({ latest }) => latest < 0)) return undefined
  const on: MaskTask = { ...next, on: 0, resting: true }
  return stagger([...then, on, ...others]) && { id: next.id, do: 'on', wait: 0 }
}

/** A window from so many ticks later on. */
const later = (task: MaskTask, ticks: number): MaskTask => ({
  ...task,
  earliest: task.earliest - ticks,
  latest: task.latest - ticks,
})

/**
 * The last tick at which everything is still in time, if hands begin only then and with the same:
 * what the plan has next, where that is what goes on.
 */
function latestStart(
  lies: readonly MaskTask[],
  toLay: readonly MaskTask[],
  first: HandAction,
  planned: boolean,
): number {
  let last = first.wait
  for (let wait = last + 1; wait <= LOOK_AHEAD_MINUTES; wait++) {
    const waited = lies.map((task) => later(task, wait))
    if (waited.some(({ latest }) => latest < 0)) return last
    const still = planned ? asPlanned(waited, toLay) : stagger([...waited, ...toLay])?.actions[0]
    if (still?.id !== first.id || still.do !== first.do) return last
    last = wait
  }
  return last
}

/** The latest of what has passed it: none where lateness does no harm, else it is late. */
const past = (late: RestingNow['late']): number => (late === 'harmless' ? LOOK_AHEAD_MINUTES : -1)

/** What rests, its window from now, in whole ticks that are inside it. */
function resting(state: RoomState, steps: readonly PlanStep[], now: number): MaskTask[] {
  return state.resting.flatMap((own) => {
    const step = steps.find(({ key }) => key === own.key)
    if (own.endedAt !== undefined || !step) return []
    const ran = fromMilliseconds(now - own.since)
    const latest = own.latest >= ran ? ticksWithin(own.latest - ran) : past(own.late)
    return [
      {
        id: own.key,
        on: 0,
        off: toTicks(removalMinutes(step.technique, own.regions)),
        earliest: Math.min(toTicks(minutes(own.earliest - ran)), Math.max(0, latest)),
        latest,
        resting: true as const,
      },
    ]
  })
}

/** What is still to be put on; what is being put on now has less left of its minutes. */
function laid(
  state: RoomState,
  step: PlanStep,
  dwellOf: FoldContext['dwellOf'],
  now: number,
): MaskTask[] {
  const window = dwellOf(step, state.products[step.key]?.productId)
  if (!window) return []
  const ran = state.current?.key === step.key ? fromMilliseconds(runningMs(state, now)) : 0
  return [
    {
      id: step.key,
      on: toTicks(minutes(Math.max(0, step.minutes - ran))),
      off: toTicks(removalMinutes(step.technique, step.regions)),
      earliest: toTicks(window.earliest),
      latest: ticksWithin(window.latest),
    },
  ]
}
