import type { PlanStep } from '../catalogue/techniques/step'
import { dwellWindow } from '../timing/schedule'
import { toMilliseconds } from '../units'
import type { EventBody, TreatmentEvent } from '../treatment/taps/events'
import { fold, type FoldContext } from '../treatment/fold/fold'

/** When the visits of the tests begin, milliseconds since 1970. */
export const T0 = 1_800_000_000_000
export const MINUTE = toMilliseconds(1)
/** A minute of such a visit, as an instant. */
export const at = (minute: number): number => T0 + minute * MINUTE

/** A tap at a minute; from which device, or by whom, where it matters. */
export type TapAt = readonly [
  minute: number,
  body: EventBody,
  more?: Partial<Pick<TreatmentEvent, 'deviceId' | 'by'>>,
]
/** Taps at these minutes, in this order, of one tablet. */
export const taps = (...list: readonly TapAt[]): TreatmentEvent[] =>
  list.map(([minute, body, more = {}], seq) => ({
    id: `tap-${seq}`,
    at: at(minute),
    deviceId: 'a',
    seq,
    planVersion: 1,
    body,
    ...more,
  }))
export const STARTED: TapAt = [0, { kind: 'started' }]
export const done = ({ key }: Pick<PlanStep, 'key'>, more: object = {}): EventBody => ({
  kind: 'stepDone',
  key,
  cue: true,
  ...more,
})

/** One plan, windows as the technique has them. */
export const contextOf = (
  steps: readonly PlanStep[],
  more: Partial<FoldContext> = {},
): FoldContext => ({
  plans: { 1: steps },
  dwellOf: (own) => dwellWindow(own, () => false),
  baseline: {},
  ...more,
})
/** The room after a visit has begun and these were tapped. */
export const roomOf = (
  steps: readonly PlanStep[],
  list: readonly TapAt[],
  more: Partial<FoldContext> = {},
) => fold(taps(STARTED, ...list), contextOf(steps, more))
