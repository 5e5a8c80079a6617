import type { RegionId } from '../../face/zones'
import type { DeviceKind, FamilyId, ProductKind } from '../kinds'

/** A kind of device of a house's own is known by this. */
export type OwnKindId = `own-${string}`
/** A kind of device, of the catalogue or of the house. */
export type DeviceKey = DeviceKind | OwnKindId

/**
 * A kind of device that a house has and the catalogue does not. It works as the nearest kind does; what
 * is said of it here comes on top.
 */
export interface OwnKind {
  id: OwnKindId
  name: string
  /** The kind that it works like. */
  from: DeviceKind
  /** Its levels, in the unit in which the nearest kind is set. */
  levels?: { least: number; most: number; step: number }
  /** What it does to the skin beside what the nearest kind does. */
  also: readonly FamilyId[]
  /** Skin load, per cent of the nearest kind's: 100 or more. */
  loadPercent: number
  /** What else is laid on under it. */
  medium?: ProductKind
  /** How it is made clean after each client. */
  cleaning: string
}

/**
 * A technique as a house does it: one of the catalogue's under a name of its own, narrower, never wider.
 * A missing part is as in the technique that it comes from.
 * @typeParam Id the closed list of techniques
 */
export interface OwnWayOf<Id extends string> {
  id: string
  name: string
  from: Id
  device?: OwnKind
  /** Planned instead of the technique that it comes from. */
  usual: boolean
  minutesLeast?: number
  minutesMost?: number
  /** Minutes on the skin at most. */
  restMost?: number
  passesMost?: number
  /** Zones on which it is never done here. */
  never: readonly RegionId[]
  /** What the hand minds, said before what the technique says. */
  hand?: string
  /** Said to the client first. */
  say?: string
  /** Ticked before it may end, beside what the technique asks. */
  confirm?: string
}
