import type { ZoneId } from '#core/face/zones'
import { SHAPES } from './outlines'

/** Ways across the face as it is drawn: right and down are positive. */
const WAYS: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
}
/** A zone aside counts as so much further away as one straight ahead. */
const ASIDE = 2

/**
 * The zone that an arrow key leads to: the nearest one that way on the screen; undefined where the face
 * ends, or for another key.
 * @param turned the face is seen from the head end
 */
export function neighbour(zone: ZoneId, key: string, turned: boolean): ZoneId | undefined {
  const way = WAYS[key]
  const from = SHAPES.find((own) => own.zone === zone)?.centre
  if (!way || !from) return undefined
  const sign = turned ? -1 : 1
  const found = SHAPES.flatMap(({ zone: other, centre }) => {
    const [x, y] = [sign * (centre[0] - from[0]), sign * (centre[1] - from[1])]
    const ahead = x * way[0] + y * way[1]
    const aside = Math.abs(x * way[1]) + Math.abs(y * way[0])
    return other !== zone && ahead > aside / ASIDE ? [{ other, far: ahead + ASIDE * aside }] : []
  })
  return found.sort((one, other) => one.far - other.far)[0]?.other
}
