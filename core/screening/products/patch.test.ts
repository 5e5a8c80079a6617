import { describe, expect, it } from 'vitest'
import { deriveProfile } from '../../skin/profile'
import { product, readAll, RESILIENT } from '../../testing/fixtures'
import { patchBar, patchReason, patchState, type PatchTest } from './patch'

const HOUR = 3_600_000
const NOW = Date.parse('2026-03-10T10:00:00Z')
const sensitive = deriveProfile(
  readAll(RESILIENT, { cheekL: { ...RESILIENT, sensitivity: 2 } }),
  40,
)
const resilient = deriveProfile(readAll(RESILIENT), 40)
const enzyme = product('enzymeMask', 'papaya', { inci: ['Aqua', 'Papain'] })
const test = (
  hoursAgo: number,
  reads: [hoursAfter: number, result: 'clear' | 'reaction'][] = [],
): PatchTest => ({
  id: 't',
  productId: 'papaya',
  place: 'behindEar',
  placedAt: NOW - hoursAgo * HOUR,
  reads: reads.map(([key, result]) => ({ at: NOW - (hoursAgo - key) * HOUR, result })),
})
const state = (...tests: PatchTest[]) => patchState(enzyme, tests, sensitive, false, NOW)

describe('patch test', () => {
  it('of several that reacted says the last, in whatever order they are given', () => {
    const early = test(200, [[24, 'reaction']])
    const late = test(100, [[48, 'reaction']])
    for (const tests of [
      [early, late],
      [late, early],
    ])
      expect(state(...tests)).toEqual({ kind: 'reaction', at: NOW - 52 * HOUR })
  })
  it('is asked for an active or scented product that is new to sensitive skin, and for nothing else', () => {
    expect(patchReason(enzyme, sensitive, false)).toContain('active')
    expect(
      patchReason(product('serum', 's', { inci: ['Aqua', 'Parfum'] }), sensitive, false),
    ).toContain('fragrance')
    expect(
      patchReason(
        product('serum', 's', { acid: { name: 'lactic', percent: 5 } }),
        sensitive,
        false,
      ),
    ).toContain('acid')
    for (const none of [
      patchReason(enzyme, resilient, false),
      patchReason(enzyme, sensitive, true),
      patchReason(product('serum', 's', { inci: ['Aqua', 'Glycerin'] }), sensitive, false),
    ])
      expect(none).toBeUndefined()
  })
  it('is asked for an enzyme and for propolis too', () => {
    const tender = deriveProfile(readAll({ ...RESILIENT, sensitivity: 3 }), 30)
    for (const inci of ['Papain', 'Subtilisin', 'Propolis Extract', 'Mel'])
      expect(
        patchReason(product('enzymeMask', 'one', { inci: [inci] }), tender, false),
        inci,
      ).toMatch(/new to sensitive skin/)
    expect(
      patchReason(product('enzymeMask', 'one', { inci: ['Papain'] }), tender, true),
    ).toBeUndefined()
  })
  it('goes from due to waiting to readable to clear', () => {
    expect(state().kind).toBe('due')
    expect(state(test(23)).kind).toBe('waiting')
    expect(state(test(24)).kind).toBe('readable')
    expect(state(test(30, [[25, 'clear']]))).toMatchObject({
      kind: 'clear',
      lookAgain: NOW + 18 * HOUR,
    })
    expect(
      state(
        test(60, [
          [25, 'clear'],
          [49, 'clear'],
        ]),
      ),
    ).not.toHaveProperty('lookAgain')
  })
  it('waits from the very moment at which it is placed, and not before', () => {
    expect(state(test(0)).kind).toBe('waiting')
    expect(state(test(-1)).kind).toBe('due')
  })
  it('does not take a reading before a day as clear', () => {
    expect(state(test(25, [[2, 'clear']])).kind).toBe('readable')
  })
  it('holds for six months, then is due again', () => {
    expect(state(test(182 * 24, [[30, 'clear']])).kind).toBe('clear')
    expect(state(test(184 * 24, [[30, 'clear']])).kind).toBe('due')
  })
  it('a reaction counts for good, at any hour, and after a later clear one', () => {
    expect(state(test(3, [[1, 'reaction']])).kind).toBe('reaction')
    expect(state(test(400 * 24, [[30, 'reaction']]), test(60, [[50, 'clear']])).kind).toBe(
      'reaction',
    )
    expect(patchState(enzyme, [test(60, [[30, 'reaction']])], resilient, true, NOW).kind).toBe(
      'reaction',
    )
  })
  it('keeps the product from being planned until it is clear', () => {
    for (const [key, bars] of [
      [state(), true],
      [state(test(2)), true],
      [state(test(30)), true],
      [state(test(60, [[30, 'reaction']])), true],
      [state(test(60, [[30, 'clear']])), false],
      [patchState(enzyme, [], resilient, false, NOW), false],
    ] as const)
      expect(patchBar(key) !== undefined).toBe(bars)
  })
})
