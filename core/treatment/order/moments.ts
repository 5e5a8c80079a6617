import { TECHNIQUES } from '../../catalogue/techniques/techniques'
import type { PlanStep } from '../../catalogue/techniques/step'
import { minutes, type Minutes } from '../../units'
import type { RoomState } from '../fold/roomState'

/** One thing on screen, ended by one tap: a main step with the ticks that lead up to it. */
export interface Moment {
  /** Connecting work inside it, in its order. */
  ticks: readonly PlanStep[]
  main: PlanStep
  minutes: Minutes
}

const isTick = ({ technique }: Pick<PlanStep, 'technique'>): boolean =>
  TECHNIQUES[technique].tick ?? false

/**
 * The plan as the room walks it: connecting work belongs to the main step that it makes the skin
 * right for; what no main step follows belongs to the last one, or stands alone. Where a main step
 * ended without its ticks they lead up to the next.
 * @param ended keys of steps that are over
 */
export function momentsOf(
  steps: readonly PlanStep[],
  ended: ReadonlySet<string> = new Set(),
): Moment[] {
  const out: Moment[] = []
  let ticks: PlanStep[] = []
  for (const step of steps) {
    if (isTick(step)) ticks.push(step)
    else {
      const over = (tick: PlanStep) => ended.has(tick.key)
      const carried = ended.has(step.key) ? ticks.filter((tick) => !over(tick)) : []
      out.push(
        moment(
          ticks.filter((tick) => !carried.includes(tick)),
          step,
        ),
      )
      ticks = carried
    }
  }
  const last = ticks.pop()
  if (last) out.push(moment(ticks, last))
  return out
}
const moment = (ticks: readonly PlanStep[], main: PlanStep): Moment => ({
  ticks,
  main,
  minutes: minutes([...ticks, main].reduce((sum, step) => sum + step.minutes, 0)),
})

/** The moment that a step belongs to, and its place among them from nought; −1 where it has none. */
export const placeOfMoment = (moments: readonly Moment[], key: string | undefined): number =>
  moments.findIndex(({ ticks, main }) => [...ticks, main].some((step) => step.key === key))

/** What is still open of a moment, and its minutes. */
export const openOf = ({ ticks, main }: Moment, ended: ReadonlySet<string>): PlanStep[] =>
  [...ticks, main].filter(({ key }) => !ended.has(key))

/** Keys of the steps that are over, done or left out. */
export const endedKeys = (state: Pick<RoomState, 'done'>): Set<string> =>
  new Set(state.done.map(({ key }) => key))

/** The latest main step that is over: the one that a step back takes back. */
export const lastEnded = (
  state: Pick<RoomState, 'done'>,
  steps: readonly PlanStep[],
): PlanStep | undefined =>
  [...state.done]
    .reverse()
    .flatMap(({ key }) => steps.find((step) => step.key === key) ?? [])
    .find((step) => !isTick(step))
