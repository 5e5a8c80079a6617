import { restKind } from '#core/catalogue/techniques/resting'
import type { PlanStep } from '#core/catalogue/techniques/step'
import { TECHNIQUES } from '#core/catalogue/techniques/techniques'
import { isLink } from '#core/planning/steps/link'
import type { Check } from '#core/planning/checks/check'
import { shortName } from '#core/catalogue/techniques/traits'
import { describeSkin } from '#core/surface/words'
import { SHORTEST_STEP } from '#core/units'

/** Pixels of the whole strip, of a step of a minute, and of a thin line that only connects. */
export interface StripSize {
  cloth: number
  row: { least: number; most: number }
  link: number
}
export const WIDE: StripSize = { cloth: 660, row: { least: 19, most: 24 }, link: 13 }
/** Upright there is height for the reason under the step. */
export const UPRIGHT: StripSize = { cloth: 980, row: { least: 40, most: 46 }, link: 16 }
const MOST_PER_MINUTE = 12
/** A mask's own name needs so much. */
const LEAST_REST = 46

/**
 * Where everything lies on the strip. One-minute steps keep a readable line; what room is left goes
 * to the long ones, minute by minute.
 */
export function stripLayout(
  steps: readonly PlanStep[],
  { trace }: Check,
  { cloth, row: rows, link }: StripSize = WIDE,
) {
  const links = steps.filter(isLink).length
  const count = Math.max(1, steps.length - links)
  const tall = cloth - links * link
  const row = Math.max(rows.least, Math.min(rows.most, Math.floor(tall / count)))
  const beyond = (step: PlanStep) => (isLink(step) ? 0 : Math.max(0, step.minutes - 1))
  const extra = steps.reduce((sum, step) => sum + beyond(step), 0)
  const spare = (tall - count * row) / Math.max(1, extra)
  const perMinute = Math.max(0, Math.min(MOST_PER_MINUTE, spare))
  const heights = steps.map((step) =>
    isLink(step) ? link : row + Math.round(beyond(step) * perMinute),
  )
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
    close: row < rows.most - 1,
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
      kind: restKind(TECHNIQUES[rest.technique]),
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
