import { nounOf } from '../../words'
import type { Counter } from '../../catalogue/techniques/technique'
import type { PlanStep } from '../../catalogue/techniques/step'
import { techniqueOf } from '../../catalogue/techniques/ownWay'
import { nameRegions, REGION_NAMES } from '../../face/regions'
import { REGION_IDS, type RegionId } from '../../face/zones'
import type { RoomState } from '../fold/roomState'

/** What the hand counts in a step: so many on each zone it works. */
interface ZoneCount {
  what: Extract<Counter, { least: number }>['what'] | 'pass'
  least: number
  /** Never more than this on one zone. */
  most: number
  regions: readonly RegionId[]
  done: Partial<Record<RegionId, number>>
}

/** What is counted by zone; undefined where nothing is, or only for the step as a whole. */
export function zoneCountOf(state: RoomState, step: PlanStep): ZoneCount | undefined {
  const { counter, passes } = techniqueOf(step)
  if (counter === 'none' || counter.what === 'pad' || counter.what === 'water') return undefined
  const bounds =
    counter.what === 'pass'
      ? { least: step.passes ?? passes?.usual ?? 1, most: passes?.limit ?? 1 }
      : { least: counter.least, most: counter.most }
  const done = state.passes[step.key] ?? {}
  return { what: counter.what, ...bounds, regions: step.regions, done }
}

/** Why no further one is done on a zone; undefined where one may be. */
export function countTrouble(
  { what, least, most, done }: ZoneCount,
  region: RegionId,
): string | undefined {
  const had = done[region] ?? 0
  if (had >= most && what === 'pass' && most === 2) return 'Never a third pass here.'
  if (had >= most) return `${most} here: never more.`
  if (what === 'pass' && had >= least) return `${least} planned here: enough.`
  return undefined
}

const PAIRED: readonly (readonly [RegionId, RegionId])[] = REGION_IDS.flatMap((left) => {
  const right = `${left.slice(0, -1)}R` as RegionId
  return left.endsWith('L') && REGION_IDS.includes(right) ? [[left, right] as const] : []
})

/**
 * Where one side had more than the other, both of them in the step: said before the step ends.
 * Nothing counted yet is not uneven.
 */
export function unevenSides({ regions, done, what }: ZoneCount): string[] {
  return PAIRED.filter((pair) => pair.every((region) => regions.includes(region))).flatMap(
    ([left, right]) => {
      const [onLeft, onRight] = [done[left] ?? 0, done[right] ?? 0]
      if (onLeft === onRight) return []
      const behind = onLeft < onRight ? left : right
      const missing = Math.abs(onLeft - onRight)
      return [
        `${REGION_NAMES[behind]}: ${missing} ${many(what, missing)} fewer than the other side`,
      ]
    },
  )
}

/** Zones begun upon or not, that have fewer than their least, once counting has begun. */
export function missedZones({ regions, done, least, what }: ZoneCount): string | undefined {
  const missed = regions.filter((region) => (done[region] ?? 0) < least)
  if (missed.length === 0 || missed.length === regions.length) return undefined
  return `${nameRegions(missed)}: not ${least} ${many(what, least)} yet`
}

/** What is counted, as one or as several. */
export const many = (what: ZoneCount['what'], count: number): string => nounOf(count, what)
/** "1 pass a zone planned, 2 at most": what is counted, in words. */
export const countWords = ({ what, least, most }: Pick<ZoneCount, 'what' | 'least' | 'most'>) =>
  least === most
    ? `${least} ${many(what, least)} a zone`
    : what === 'pass'
      ? `${least} ${many(what, least)} a zone planned, ${most} at most`
      : `${least} to ${most} ${many(what, most)} a zone, never more`
