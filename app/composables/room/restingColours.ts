import type { RoomState } from '#core/treatment/fold/roomState'
import { RESTING_COLOURS } from '~/theme/colours'

/** The colour of something that rests: its own for as long as the visit lasts, whatever comes off. */
export function restingColour(state: Pick<RoomState, 'resting'> | null, key: string): string {
  const place = state?.resting.findIndex((one) => one.key === key) ?? 0
  return RESTING_COLOURS[Math.max(0, place) % RESTING_COLOURS.length] ?? RESTING_COLOURS[0]
}
