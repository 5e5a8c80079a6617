import type { Product } from '../catalogue/products/products'
import { techniqueOf } from '../catalogue/techniques/ownWay'
import type { PlanStep } from '../catalogue/techniques/step'
import type { DwellWindow } from '../catalogue/techniques/technique'
import { meet, type Side } from '../face/sides'
import type { RegionId } from '../face/zones'
import { dwellOf } from './dwell'
import { takesOff } from './removal'
import type { Minutes } from '../units'

interface StepTime {
  key: string
  start: number
  end: number
}

/**
 * Something on the face that works by itself from the end of the step that laid it to the start of
 * the one that takes it off.
 */
export interface Resting {
  key: string
  technique: PlanStep['technique']
  own?: PlanStep['own']
  regions: readonly RegionId[]
  half?: Side
  start: number
  end: number
  earliest: number
  latest: number
  late: DwellWindow['late']
  /** Whether the plan takes it off at all. */
  removed: boolean
}

export interface Schedule {
  steps: readonly StepTime[]
  resting: readonly Resting[]
  total: number
  idle: number
}

export type DwellFor = (
  step: PlanStep,
) => { earliest: Minutes; latest: Minutes; late: DwellWindow['late'] } | undefined

/**
 * The window of a step on this skin: the short one where a region is sensitive.
 * @param bottle what is laid: its label may narrow the minutes of its kind
 */
export function dwellWindow(
  step: PlanStep,
  sensitive: (region: RegionId) => boolean,
  bottle?: Pick<Product, 'rests'>,
): ReturnType<DwellFor> {
  const dwell = dwellOf(techniqueOf(step), bottle)
  if (!dwell) return undefined
  const window = step.regions.some(sensitive) ? dwell.sensitive : dwell
  return { earliest: window.earliest, latest: window.latest, late: dwell.late }
}

/**
 * Which later step takes off what step `i` laid, zone by zone: what comes off the chin first lies on
 * everywhere else until its own time. −1 where nothing takes it off.
 */
export function offWhere(steps: readonly PlanStep[], i: number): Map<number, RegionId[]> {
  const step = steps[i]
  const by = new Map<number, RegionId[]>()
  if (!step) return by
  const offAt = (region: RegionId | undefined) =>
    steps.findIndex(
      (later, j) =>
        j > i &&
        takesOff(later.technique, step.technique) &&
        (region === undefined || meet(later, { ...step, regions: [region] })),
    )
  if (step.regions.length === 0) return by.set(offAt(undefined), [])
  for (const region of step.regions) {
    const at = offAt(region)
    by.set(at, [...(by.get(at) ?? []), region])
  }
  return by
}

/**
 * Hands are one resource: steps follow one another. What rests is read off between them. Minutes
 * from the start of the first step.
 */
export function schedule(steps: readonly PlanStep[], dwellOf: DwellFor): Schedule {
  const times: StepTime[] = []
  let clock = 0
  let idle = 0
  for (const step of steps) {
    times.push({ key: step.key, start: clock, end: clock + step.minutes })
    clock += step.minutes
    if (techniqueOf(step).idle) idle += step.minutes
  }
  const resting: Resting[] = []
  steps.forEach((step, i) => {
    const window = dwellOf(step)
    const time = times[i]
    if (!window || !time) return
    for (const [removalIndex, regions] of offWhere(steps, i)) {
      const removal = times[removalIndex]
      resting.push({
        key: step.key,
        technique: step.technique,
        ...(step.own ? { own: step.own } : {}),
        ...(step.half ? { half: step.half } : {}),
        regions,
        start: time.end,
        end: removal?.start ?? clock,
        ...window,
        removed: removal !== undefined,
      })
    }
  })
  return { steps: times, resting, total: clock, idle }
}
