import { TECHNIQUES } from '../catalogue/techniques/techniques'
import type { PlanStep } from '../catalogue/techniques/step'
import { minutes, type Minutes } from '../units'

/** One thing on screen, ended by one tap: a main step with the ticks that lead up to it. */
export interface Moment {
  /** Connecting work inside it, in its order. */
  ticks: readonly PlanStep[]
  main: PlanStep
  minutes: Minutes
}

export const isTick = ({ technique }: Pick<PlanStep, 'technique'>): boolean =>
  TECHNIQUES[technique].tick ?? false

/**
 * The plan as the room walks it: connecting work belongs to the main step that it makes the skin
 * right for; what no main step follows belongs to the last one, or stands alone.
 */
export function momentsOf(steps: readonly PlanStep[]): Moment[] {
  const out: Moment[] = []
  let ticks: PlanStep[] = []
  for (const step of steps) {
    if (isTick(step)) ticks.push(step)
    else {
      out.push(moment(ticks, step))
      ticks = []
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
