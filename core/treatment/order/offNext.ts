import { MOST_COMING_OFF } from '../../catalogue/rules/room'
import type { PlanStep } from '../../catalogue/techniques/step'
import { comingOff, type ComingOff, type OffTask } from '../../timing/comingOff'
import { removalMinutes } from '../../timing/removal'
import { fromMilliseconds } from '../../units'
import type { restingAt } from '../fold/clocks'
import type { RoomState } from '../fold/roomState'

/**
 * What comes off next and when to begin, live: every mask that rests now, with what is left of its
 * own window.
 * @param now milliseconds since 1970
 */
export function offNext(
  state: RoomState,
  steps: readonly PlanStep[],
  now: number,
): ComingOff | undefined {
  const tasks = state.resting.flatMap((resting): OffTask[] => {
    const step = steps.find(({ key }) => key === resting.key)
    if (resting.endedAt !== undefined || !step) return []
    const ran = fromMilliseconds(now - resting.since)
    return [
      {
        id: resting.key,
        earliest: resting.earliest - ran,
        latest: resting.latest - ran,
        takes: removalMinutes(step.technique, resting.regions),
        harmless: resting.late === 'harmless',
      },
    ]
  })
  return comingOff(tasks.slice(0, MOST_COMING_OFF))
}

/** What lateness means for what rests, in the words of the room. */
export const LATE_WORDS = {
  harmless: 'late does no harm',
  rewet: 'late: wet it first',
  removeNow: 'never late: off on time',
} as const

/** What the clock of something that rests says by now, by what lateness means for it. */
export const REST_WORDS: Readonly<
  Record<keyof typeof LATE_WORDS, Record<ReturnType<typeof restingAt>['word'], string>>
> = {
  harmless: {
    working: 'working',
    mayComeOff: 'may come off',
    due: 'time is up',
    late: 'over its time',
  },
  rewet: {
    working: 'working',
    mayComeOff: 'may come off',
    due: 'off now',
    late: 'late: wet it, then off',
  },
  removeNow: {
    working: 'working',
    mayComeOff: 'may come off',
    due: 'off now',
    late: 'late: off now',
  },
}
