import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  clashesOf,
  freeAfter,
  inUseFor,
  type DeviceTime,
  type DeviceUse,
  type OwnDevice,
} from './sharedDevices'

const ROOMS = ['lake', 'stove', 'attic']
const KINDS = ['steamer', 'lamp'] as const
const time = fc
  .record({
    kind: fc.constantFrom(...KINDS),
    from: fc.integer({ min: 0, max: 30 }),
    long: fc.integer({ min: 1, max: 12 }),
  })
  .map(({ kind, from, long }): DeviceTime => ({ kind, name: kind, from, to: from + long }))
const use = fc
  .tuple(time, fc.constantFrom(...ROOMS.slice(1)))
  .map(([own, roomId]): DeviceUse => ({ ...own, roomId }))
const device: fc.Arbitrary<OwnDevice> = fc.record({
  kind: fc.constantFrom(...KINDS),
  ready: fc.boolean(),
  roomIds: fc.subarray(ROOMS),
})

/** Every way of giving devices out, tried one after the other at one minute. */
function canHave(kind: string, minute: number, uses: DeviceUse[], devices: OwnDevice[]): boolean {
  const wants = [
    'lake',
    ...uses
      .filter((own) => own.kind === kind && own.from <= minute && minute < own.to)
      .map(({ roomId }) => roomId),
  ]
  const give = (left: string[], pool: number[]): boolean =>
    left.length === 0 ||
    pool.some((at) => {
      const own = devices[at]
      const fits =
        own?.kind === kind &&
        own.ready &&
        (own.roomIds.length === 0 || own.roomIds.includes(left[0] ?? ''))
      return (
        fits &&
        give(
          left.slice(1),
          [...pool].filter((other) => other !== at),
        )
      )
    })
  return give(
    wants,
    devices.map((_, i) => i),
  )
}

describe('a device that rooms share', () => {
  it('is in use just when giving all of them out leaves none for this room', () => {
    fc.assert(
      fc.property(
        fc.array(use, { maxLength: 4 }),
        fc.array(device, { maxLength: 4 }),
        (uses, devices) => {
          const found = inUseFor('lake', uses, devices)
          for (const kind of KINDS) {
            const has = devices.some(
              (own) =>
                own.kind === kind &&
                own.ready &&
                (own.roomIds.length === 0 || own.roomIds.includes('lake')),
            )
            for (let minute = 0; minute < 45; minute++) {
              const wanted = uses.some(
                (own) => own.kind === kind && own.from <= minute && minute < own.to,
              )
              const taken = has && wanted && !canHave(kind, minute, uses, devices)
              expect(
                found.some((own) => own.kind === kind && own.from <= minute && minute < own.to),
              ).toBe(taken)
            }
          }
        },
      ),
    )
  })
  it('is free again after the fewest minutes there are', () => {
    const later = (wanted: readonly DeviceTime[], by: number) =>
      wanted.map((own) => ({ ...own, from: own.from + by, to: own.to + by }))
    fc.assert(
      fc.property(
        fc.array(time, { minLength: 1, maxLength: 3 }),
        fc.array(use, { maxLength: 5 }),
        (wanted, uses) => {
          const one = KINDS.map((kind) => ({ kind, ready: true, roomIds: [] }))
          const inUse = inUseFor('lake', uses, one)
          const clear = (by: number) =>
            later(wanted, by).every(
              (own) =>
                !inUse.some(
                  ({ kind, from, to }) => kind === own.kind && from < own.to && own.from < to,
                ),
            )
          let least = 0
          while (!clear(least)) least++
          expect(freeAfter(wanted, inUse)).toBe(least)
          expect(clashesOf(wanted, inUse).length === 0).toBe(least === 0)
        },
      ),
    )
  })
  it('is a towel cabinet: towels are fetched from it by every room', () => {
    const cabinet = { kind: 'towelCabinet', ready: true, roomIds: [] } as const
    const towels = {
      kind: 'towelCabinet',
      name: 'towels',
      from: 0,
      to: 9,
      roomId: 'stove',
    } as const
    expect(inUseFor('lake', [towels], [cabinet])).toEqual([])
  })
})
