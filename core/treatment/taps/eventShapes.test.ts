import { describe, expect, it } from 'vitest'
import { eventBody, treatmentEvent } from './eventShapes'

const tap = {
  id: '11111111-2222-4333-8444-555555555555',
  at: 1_700_000_000_000,
  deviceId: '11111111-2222-4333-8444-555555555555',
  seq: 0,
  planVersion: 1,
  body: { kind: 'started' },
}
const fits = (more: object) => treatmentEvent.safeParse({ ...tap, ...more }).success
const amount = (more: object) =>
  fits({
    body: {
      ...{ kind: 'amountTaken', key: 's1', productId: 'p', lotId: 'l', millilitres: 1 },
      ...more,
    },
  })

describe('what a tap may say', () => {
  it('its place among the taps of one device, from nought up', () => {
    expect([-1, 0, 1, 1_000_000, 1_000_001, 0.5].map((seq) => fits({ seq }))).toEqual([
      false,
      true,
      true,
      true,
      false,
      false,
    ])
  })
  it('one of the plans of a visit, from the first to the ninety-ninth', () => {
    expect([0, 1, 2, 99, 100].map((planVersion) => fits({ planVersion }))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ])
    const replanned = (version: number) =>
      fits({ body: { kind: 'replanned', version, reason: 'x' } })
    expect([1, 2, 99, 100].map(replanned)).toEqual([false, true, true, false])
  })
  it('an amount of a bottle, none or up to a whole one, and the other half or nothing of it', () => {
    expect([-0.1, 0, 200, 200.1].map((millilitres) => amount({ millilitres }))).toEqual([
      false,
      true,
      true,
      false,
    ])
    expect(
      [true, undefined, false].map((half) => amount(half === undefined ? {} : { half })),
    ).toEqual([true, true, false])
  })
  it('what the client says of it, from nought to ten, and a level that a device can have', () => {
    const feels = (grade: number) =>
      fits({ body: { kind: 'sensation', grade, region: null, key: null } })
    expect([-1, 0, 10, 11].map(feels)).toEqual([false, true, true, false])
    const level = (setting: number) =>
      fits({ body: { kind: 'settingChanged', key: 's1', setting } })
    expect([-1, 0, 1000, 1001].map(level)).toEqual([false, true, true, false])
  })
  it('another bottle by its name on the shelf, which is no tale', () => {
    const swapped = (length: number) =>
      fits({
        body: {
          kind: 'productSwapped',
          key: 's1',
          productId: 'p'.repeat(length),
          reason: 'ran out',
        },
      })
    expect([0, 1, 60, 61].map(swapped)).toEqual([false, true, true, false])
  })
  it('a moment of a working house', () => {
    expect([1, 1_599_999_999_999, 4_000_000_000_001].some((at) => fits({ at }))).toBe(false)
  })
  it('counts one more or one fewer, and nothing else', () => {
    const counted = (by: number) =>
      eventBody.safeParse({ kind: 'counted', key: 'tip-1', region: null, by }).success
    expect([1, -1].map(counted)).toEqual([true, true])
    expect([0, 2, -2, 0.5].map(counted)).toEqual([false, false, false, false])
  })
})
