import { describe, expect, it } from 'vitest'
import type { ZoneId } from '#core/face/zones'
import { neighbour } from '../../app/components/face/neighbour'
import { SHAPES } from '../../app/components/face/outlines'

const KEYS = ['ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']
const zones = SHAPES.map(({ zone }) => zone)

describe('the face under arrow keys', () => {
  for (const turned of [false, true])
    it(`${turned ? 'from the head end' : 'face to face'}: every zone is reached from every other`, () => {
      for (const start of zones) {
        const seen = new Set<ZoneId>([start])
        for (const zone of seen)
          for (const key of KEYS) {
            const next = neighbour(zone, key, turned)
            if (next) seen.add(next)
          }
        expect(seen.size, start).toBe(zones.length)
      }
    })
  it('goes the way of the key on the screen, turned or not', () => {
    const centre = (zone: ZoneId) => SHAPES.find((own) => own.zone === zone)?.centre ?? [0, 0]
    for (const turned of [false, true])
      for (const zone of zones) {
        const sign = turned ? -1 : 1
        const right = neighbour(zone, 'ArrowRight', turned)
        if (right) expect(sign * (centre(right)[0] - centre(zone)[0])).toBeGreaterThan(0)
        const up = neighbour(zone, 'ArrowUp', turned)
        if (up) expect(sign * (centre(up)[1] - centre(zone)[1])).toBeLessThan(0)
      }
  })
  it('leaves any other key alone', () => {
    expect(neighbour('nose', 'Enter', false)).toBeUndefined()
  })
})
