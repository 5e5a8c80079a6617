import type { DeviceKind } from '../catalogue/kinds'
import type { DeviceKey } from '../catalogue/techniques/ownShapes'
import { servesAll } from '../catalogue/techniques/linen'
import { merged, type Stretch } from './places'

/** A device of the house: the rooms it stands in; none: it goes where it is wanted. */
export interface OwnDevice {
  kind: DeviceKey
  ready: boolean
  roomIds: readonly string[]
}
/** When a device is wanted, in minutes from any one moment. */
export interface DeviceTime extends Stretch {
  kind: DeviceKey
  name: string
}
/** The same for one step of a plan. */
export interface StepDevice extends DeviceTime {
  key: string
  /** The kind that it works like. */
  like: DeviceKind
}
/** The same in a room. */
export interface DeviceUse extends DeviceTime {
  roomId: string
}
/** A kind of device that cannot be had for a while, and the room it is in then. */
export interface InUse extends DeviceTime {
  roomId: string
}

/**
 * When no device of a kind is left for a room: at each moment every room that uses one has a device
 * that may stand there, and so would this one. What the room itself does is not counted: only one visit
 * lies in it.
 * @param uses what other visits want, this one's not among them
 */
export function inUseFor(
  roomId: string,
  uses: readonly DeviceUse[],
  devices: readonly OwnDevice[],
): InUse[] {
  const others = uses.filter((use) => use.roomId !== roomId && !servesAll(use.kind))
  const kinds = [...new Set(others.map(({ kind }) => kind))]
  return kinds.flatMap((kind) => {
    const own = others.filter((use) => use.kind === kind && use.from < use.to)
    const ready = devices.filter((device) => device.kind === kind && device.ready)
    // Where none stands at any time, that is said for itself.
    if (!allServed([roomId], ready)) return []
    const taken = moments(own).filter(({ from }) => {
      const rooms = own.filter((use) => use.from <= from && from < use.to).map((use) => use.roomId)
      return rooms.length > 0 && !allServed([roomId, ...rooms], ready)
    })
    return merged(taken).map(({ from, to }) => {
      const use = own.find((other) => other.from < to && from < other.to)
      return { kind, name: use?.name ?? '', from, to, roomId: use?.roomId ?? roomId }
    })
  })
}

/** The stretches between all beginnings and ends: within each the same uses run. */
function moments(uses: readonly DeviceUse[]): Stretch[] {
  const marks = [...new Set(uses.flatMap(({ from, to }) => [from, to]))].sort(
    (one, other) => one - other,
  )
  return marks.slice(1).map((to, i) => ({ from: marks[i] ?? to, to }))
}

/** Whether each room gets a device of its own that may stand there. */
function allServed(rooms: readonly string[], devices: readonly OwnDevice[]): boolean {
  const [room, ...others] = rooms
  if (room === undefined) return true
  return devices.some(
    (device, i) =>
      (device.roomIds.length === 0 || device.roomIds.includes(room)) &&
      allServed(others, [...devices.slice(0, i), ...devices.slice(i + 1)]),
  )
}

/** What of a plan's devices is in use when the plan wants it. */
export const clashesOf = <Own extends DeviceTime, Other extends DeviceTime>(
  wanted: readonly Own[],
  inUse: readonly Other[],
): { wanted: Own; by: Other }[] =>
  wanted.flatMap((own) =>
    inUse
      .filter(({ kind, from, to }) => kind === own.kind && from < own.to && own.from < to)
      .map((by) => ({ wanted: own, by })),
  )

/**
 * So many minutes later the same plan has each of its devices, the fewest there are.
 * Only right after a use can one come free, so only those moments are looked at.
 */
export function freeAfter(wanted: readonly DeviceTime[], inUse: readonly DeviceTime[]): number {
  const shifted = (by: number) =>
    wanted.map((own) => ({ ...own, from: own.from + by, to: own.to + by }))
  const ends = wanted.flatMap((own) =>
    inUse.flatMap(({ kind, to }) => (kind === own.kind ? [to - own.from] : [])),
  )
  return (
    [0, ...ends.filter((by) => by > 0)]
      .sort((one, other) => one - other)
      .find((by) => clashesOf(shifted(by), inUse).length === 0) ?? 0
  )
}
