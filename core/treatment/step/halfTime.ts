import {
  MINUTE_SECONDS,
  fromMilliseconds,
  nearestTick,
  SECOND_MS,
  TICK_SECONDS,
  toMilliseconds,
} from '../../units'
import type { PlanStep } from '../../catalogue/techniques/step'
import { SPLIT_FROM } from '../../catalogue/rules/room'
import { OTHER_SIDE, SIDE_NAMES, sidesOn, type Side } from '../../face/sides'
import { runningMs } from '../fold/clocks'
import type { RoomState, SideTurn } from '../fold/roomState'
import { aimOf } from './sequence'

interface HalfTimes {
  L: number
  R: number
  running: Side | null
}

/**
 * Whether a step can be done one half after the other: the hand goes over zones of which there is a left
 * and a right. Forehead, nose, mouth, chin and neck have both by themselves. Eyes are wiped each by itself
 * anyway, and a step that is over in a moment has no halves.
 */
export function canSplit(step: PlanStep): boolean {
  const aim = aimOf(step)
  if (aim === undefined || aim === 'wipeOff' || step.minutes < SPLIT_FROM) return false
  const sides = new Set(step.regions.flatMap((region) => sidesOn(step, region)))
  return sides.size === 2
}

/** How long each side has been worked on, milliseconds; holds are taken out. */
export function halfTimes(turns: readonly SideTurn[], ran: number): HalfTimes {
  const times: HalfTimes = { L: 0, R: 0, running: turns[turns.length - 1]?.side ?? null }
  turns.forEach(({ side, ran: from }, at) => {
    const to = turns[at + 1]?.ran ?? Math.max(from, ran)
    if (side) times[side] += Math.max(0, to - from)
  })
  return times
}

/** The same for the step at hand, at a moment. */
export const halfTimesNow = (state: RoomState, key: string, now: number): HalfTimes =>
  halfTimes(state.sides[key] ?? [], runningMs(state, now))

/** Sides that differ by no more than this were timed alike, milliseconds. */
const ALIKE_MS = TICK_SECONDS * SECOND_MS
/** Whether both sides had the same; a step in which no side was timed is nobody's trouble. */
export const timedAlike = ({ L, R }: HalfTimes): boolean => Math.abs(L - R) <= ALIKE_MS

/** What the hand does now, and how much is left to it: one side, then the other for as long. */
export function halfWords(step: PlanStep, times: HalfTimes, light: string): string {
  const { running } = times
  if (running === null)
    return timedAlike(times) && times.L > 0
      ? `Timed alike: compare both sides now${light ? `, ${light}` : ''}.`
      : times.L + times.R > 0
        ? `The ${SIDE_NAMES[behind(times)]} side is behind.`
        : 'One side first, then the other for as long.'
  const other = OTHER_SIDE[running]
  const aim = times[other] > 0 ? times[other] : toMilliseconds(step.minutes) / 2
  const left = aim - times[running]
  if (left > 0) return `${SIDE_NAMES[running]} side: ${clockWords(left)} more.`
  return times[other] > 0
    ? `As long as the other: rest the hand and compare.`
    : `Half the time: now the ${SIDE_NAMES[other]} side.`
}
/** The half that has had less time. */
export const behind = ({ L, R }: HalfTimes): Side => (L < R ? 'L' : 'R')

const clockWords = (ms: number) => {
  const seconds = Math.ceil(ms / SECOND_MS)
  return `${Math.floor(seconds / MINUTE_SECONDS)}:${String(seconds % MINUTE_SECONDS).padStart(2, '0')}`
}

/** "left 4 min, right 3.5 min: not timed alike"; nothing where no side was timed. */
export function halfRecord(turns: readonly SideTurn[] | undefined): string | undefined {
  if (!turns || turns.length === 0) return undefined
  const times = halfTimes(turns, turns[turns.length - 1]?.ran ?? 0)
  const minutes = (side: Side) =>
    `${SIDE_NAMES[side]} ${nearestTick(fromMilliseconds(times[side]))} min`
  return `${minutes('L')}, ${minutes('R')}${timedAlike(times) ? '' : ': not timed alike'}`
}
