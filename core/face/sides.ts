import { areaOf, nameRegions, type FaceSize } from './regions'
import type { RegionId } from './zones'

/** The client's left or right. */
export type Side = 'L' | 'R'
export const SIDE_IDS = ['L', 'R'] as const satisfies readonly Side[]
export const SIDE_NAMES: Readonly<Record<Side, string>> = { L: 'left', R: 'right' }
export const OTHER_SIDE: Readonly<Record<Side, Side>> = { L: 'R', R: 'L' }

/** The side on which a region lies as a whole; undefined for what has a left and a right half. */
export const sideOf = (region: RegionId): Side | undefined =>
  region.endsWith('L') ? 'L' : region.endsWith('R') ? 'R' : undefined

/** Zones that something is done on; of those with a left and a right perhaps one half alone. */
export interface Where {
  regions: readonly RegionId[]
  half?: Side | undefined
}

/** Where a step is done, without all else of it. */
export const whereOf = ({ regions, half }: Where): Where =>
  half === undefined ? { regions } : { regions, half }

/** The sides of a zone that something done there touches. */
export function sidesOn({ half }: Pick<Where, 'half'>, region: RegionId): readonly Side[] {
  const own = sideOf(region) ?? half
  return own === undefined ? SIDE_IDS : [own]
}

/** The zones that both of them touch: not those of which each has a half of its own. */
export const common = (one: Where, other: Where): RegionId[] =>
  one.regions.filter(
    (region) =>
      other.regions.includes(region) &&
      sidesOn(one, region).some((side) => sidesOn(other, region).includes(side)),
  )
/** Whether they lie on the same skin anywhere. */
export const meet = (one: Where, other: Where): boolean => common(one, other).length > 0

/** Zones of `wanted` that these do not cover whole, not even together. */
export const leftBare = (wanted: readonly RegionId[], covered: readonly Where[]): RegionId[] =>
  wanted.filter(
    (region) =>
      !sidesOn({}, region).every((side) =>
        covered.some((own) => own.regions.includes(region) && sidesOn(own, region).includes(side)),
      ),
  )

/** Skin that is touched, cm²: of a zone of which one half is worked, that half. */
export const areaOn = (where: Where, size?: FaceSize): number =>
  where.regions.reduce(
    (sum, region) =>
      sum + (areaOf([region], size) * sidesOn(where, region).length) / sidesOn({}, region).length,
    0,
  )

/** The part of its zones that is touched, 0 to 1: half of those of which one half is worked. */
export const shareWorked = (where: Where): number =>
  where.half === undefined ? 1 : areaOn(where) / areaOf(where.regions)

/** Whether two sets of zones lie wholly on opposite sides: half against half. */
export function isOtherHalf(one: Where, other: Where): boolean {
  const sidesOf = (own: Where) => new Set(own.regions.flatMap((region) => sidesOn(own, region)))
  const [left, right] = [sidesOf(one), sidesOf(other)]
  return left.size === 1 && right.size === 1 && [...left].every((side) => !right.has(side))
}

/** The same zones with one side of them alone. */
export function onSide({ regions }: Where, half: Side): Where {
  const own = regions.filter((region) => sidesOn({}, region).includes(half))
  return own.some((region) => sideOf(region) === undefined)
    ? { regions: own, half }
    : { regions: own }
}

/** Whether no zone of it lies wholly on the other side. */
export const isOnSide = ({ regions, half }: Where): boolean =>
  regions.every((region) => (sideOf(region) ?? half) === half)

/** Left of right and right of left, each zone once. */
const mirrored = (region: RegionId): RegionId => {
  const side = sideOf(region)
  return side === undefined ? region : (`${region.slice(0, -1)}${OTHER_SIDE[side]}` as RegionId)
}
/** The zones on both sides of which these are one. */
export const bothSides = ({ regions }: Where): RegionId[] => [
  ...new Set(regions.flatMap((region) => [region, mirrored(region)])),
]

/** "T-zone", "left half of the face": where something is done, in words. */
export const nameWhere = (where: Where): string =>
  where.half === undefined
    ? nameRegions(where.regions)
    : `${SIDE_NAMES[where.half]} half of the ${nameRegions(bothSides(where))}`
