import { BEGUN_AFTER_MINUTES } from '../../catalogue/rules/room'
import { toMilliseconds } from '../../units'
import type { RoomState } from './roomState'

type Tapped = Pick<
  RoomState,
  'passes' | 'sides' | 'deviceSaid' | 'reactions' | 'counts' | 'pads' | 'calm' | 'taken'
>

/**
 * Whether anything of a step was done by what was tapped: a pass, a pad, a side, an amount, a level
 * that the skin bore, a reaction to it.
 */
export function hasBegun(room: Tapped, key: string): boolean {
  const counted = Object.values(room.passes[key] ?? {}).some((count) => (count ?? 0) > 0)
  const sided = (room.sides[key] ?? []).some(({ side }) => side !== null)
  const ran = (room.deviceSaid[key] ?? []).some(({ level }) => (level ?? 0) > 0)
  const reacted = room.reactions.some(({ body }) => body.key === key)
  return (
    counted ||
    sided ||
    ran ||
    reacted ||
    (room.counts[key] ?? 0) > 0 ||
    (room.pads[key] ?? []).length > 0 ||
    room.calm[key] !== undefined ||
    room.taken[key] !== undefined
  )
}

/**
 * The same of the step at hand, which also begins by being at hand for a while.
 * @param ranMs milliseconds that it has been at hand, holds taken out
 */
export const isUnderWay = (room: Tapped, key: string, ranMs: number): boolean =>
  hasBegun(room, key) || ranMs >= toMilliseconds(BEGUN_AFTER_MINUTES)
