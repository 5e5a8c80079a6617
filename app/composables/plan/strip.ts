import type { PlanStep } from '#core/catalogue/techniques/step'
import type { Check } from '#core/planning/checks/check'
import { shortName } from '#core/catalogue/techniques/traits'
import { describeSkin } from '#core/surface/words'
import { SHORTEST_STEP } from '#core/units'

/** Pixels that the whole strip has, and a line's height within it. */
const CLOTH = 660
const ROW = { least: 18, most: 22 } as const
const MOST_PER_MINUTE = 12
/** A mask's own name needs so much. */
const LEAST_REST = 46

/**
 * Where everything lies on the strip. One-minute steps keep a readable line; what room is left goes
 * to the long ones, minute by minute.
 */
export function stripLayout(steps: readonly PlanStep[], { trace }: Check) {
  const count = Math.max(1, steps.length)
  const row = Math.max(ROW.least, Math.min(ROW.most, Math.floor(CLOTH / count)))
  const beyond = (step: PlanStep) => Math.max(0, step.minutes - 1)
  const extra = steps.reduce((sum, step) => sum + beyond(step), 0)
  const spare = (CLOTH - steps.length * row) / Math.max(1, extra)
  const perMinute = Math.max(0, Math.min(MOST_PER_MINUTE, spare))
  const heights = steps.map((step) => row + beyond(step) * perMinute)
  const tops: number[] = []
  let total = 0
  for (const height of heights) {
    tops.push(total)
    total += height
  }
  /** Where a minute of the clock lies on the bent scale. */
  function yOf(minute: number): number {
    const at = trace.schedule.steps.findIndex((time) => minute <= time.end)
    const time = trace.schedule.steps[at]
    if (!time) return total
    const share = (minute - time.start) / Math.max(SHORTEST_STEP, time.end - time.start)
    return (tops[at] ?? 0) + share * (heights[at] ?? 0)
  }
  const { resting } = trace.schedule
  return {
    close: row < ROW.most - 1,
    heights,
    tops,
    total,
    starts: trace.schedule.steps.map(({ start }) =>
      Number.isInteger(start) ? String(start) : start.toFixed(1),
    ),
    skin: skinBands(trace.states, tops, heights),
    rests: resting.map((rest, i) => ({
      ...rest,
      lane: resting.slice(0, i).filter((other) => other.end > rest.start).length,
      name: shortName(rest.technique).replace(/^Setting |( mask| peel)$/g, ''),
      top: yOf(rest.start),
      height: Math.max(LEAST_REST, yOf(rest.end) - yOf(rest.start)),
      outside: rest.end - rest.start > rest.latest || rest.end - rest.start < rest.earliest,
    })),
  }
}

/** What the skin is like, step by step; bands that say the same are one. */
function skinBands(
  states: Check['trace']['states'],
  tops: readonly number[],
  heights: readonly number[],
) {
  const bands: { top: number; height: number; text: string; id: string }[] = []
  states.forEach((state, i) => {
    const { id, text } = describeSkin(state.after)
    const height = heights[i] ?? 0
    const last = bands[bands.length - 1]
    if (last?.text === text) last.height += height
    else bands.push({ top: tops[i] ?? 0, height, text, id })
  })
  return bands
}
