import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { FITTING_IDS } from '../../catalogue/techniques/technique'
import { TECHNIQUES, TECHNIQUE_IDS } from '../../catalogue/techniques/techniques'
import { buildRecord } from '../../record/build'
import { deriveProfile } from '../../skin/profile'
import { planInput, readAll, RESILIENT } from '../../testing/fixtures'
import { done, roomOf } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { countedWords } from '../../record/countedWords'
import { eventBody } from '../taps/eventShapes'
import { emptyRoom } from '../fold/roomState'
import { fittingNow, fittingsOf, usualFitting } from './fitting'

const wand = usualStep('highFrequency')
const skin = (age: number, spots: 0 | 2) => deriveProfile(readAll({ ...RESILIENT, spots }), age)

describe('a head or an electrode', () => {
  it('is violet where the skin breaks out or is young, orange where it is mature and does not', () => {
    // Common practice.
    expect(usualFitting(wand, skin(24, 0))?.id).toBe('violet')
    expect(usualFitting(wand, skin(64, 2))?.id).toBe('violet')
    expect(usualFitting(wand, skin(64, 0))?.id).toBe('orange')
  })
  it('is the wide head first, with a tip and with suction on bare skin', () => {
    for (const id of ['tip', 'vacuumDry'] as const)
      expect(usualFitting(usualStep(id), skin(64, 0))?.id, id).toBe('wide')
  })
  it('is none where the tool has one form only', () => {
    for (const id of TECHNIQUE_IDS)
      if (!TECHNIQUES[id].fittings)
        expect(fittingsOf(emptyRoom(), usualStep(id), skin(64, 0))).toEqual([])
  })
  it('that is put on is the one that is on, and each stands on the record in its order', () => {
    const tip = usualStep('tip')
    fc.assert(
      fc.property(fc.array(fc.constantFrom('wide', 'small')), (put) => {
        const taps = put.map(
          (fitting, i) => [i + 1, { kind: 'fitted', key: tip.key, fitting } as const] as const,
        )
        const state = roomOf([tip], [...taps, [put.length + 2, done(tip)]])
        expect(fittingNow(state, tip, skin(30, 0))?.id).toBe(put.at(-1) ?? 'wide')
        const input = planInput()
        const { lines } = buildRecord({
          state,
          skin: skin(30, 0),
          firstPlan: [tip],
          lastPlan: [tip],
          done: [tip],
          shelf: input.shelf,
          dose: input,
          lotOf: () => null,
          alongOf: () => [],
        })
        const names = put.includes('small') ? ['wide head', 'small head'] : ['wide head']
        expect(lines[0]?.fittings).toEqual(names)
        expect(countedWords(lines[0] ?? {})).toContain(names.join(', then '))
      }),
    )
  })
  it('of high frequency goes over toner, until it is said otherwise; both stand on the record', () => {
    // Common practice: over toner, serum, gauze or a hydrating mask.
    expect(usualFitting(wand, skin(24, 0), 'medium')?.id).toBe('overToner')
    const state = roomOf(
      [wand],
      [
        [1, { kind: 'fitted', key: wand.key, fitting: 'overGauze' }],
        [2, { kind: 'fitted', key: wand.key, fitting: 'orange' }],
        [3, done(wand)],
      ],
    )
    expect(fittingNow(state, wand, skin(24, 0))?.id).toBe('orange')
    expect(fittingNow(state, wand, skin(24, 0), 'medium')?.id).toBe('overGauze')
    const all = (is: 'head' | 'medium') =>
      fittingsOf(state, wand, skin(24, 0), is).map(({ id }) => id)
    expect(all('head')).toEqual(['violet', 'orange'])
    expect(all('medium')).toEqual(['overToner', 'overGauze'])
    const words = countedWords({
      fittings: ['violet electrode'],
      over: ['toner', 'gauze'],
    })
    expect(words).toBe('violet electrode; over toner, then gauze')
  })
  it('that was on before anything was done with it stands on no record', () => {
    const tip = usualStep('tip')
    const on = (...put: readonly (readonly [number, 'wide' | 'small'])[]) =>
      fittingsOf(
        roomOf(
          [tip],
          put.map(
            ([minute, fitting]) => [minute, { kind: 'fitted', key: tip.key, fitting }] as const,
          ),
        ),
        tip,
        skin(30, 0),
      ).map(({ id }) => id)
    expect(on([0.1, 'small'])).toEqual(['small'])
    expect(on([0.1, 'small'], [0.2, 'wide'])).toEqual(['wide'])
    expect(on([0.1, 'small'], [3, 'wide'])).toEqual(['small', 'wide'])
    expect(on([3, 'small'])).toEqual(['wide', 'small'])
  })
  it('is let in by its own name alone', () => {
    for (const fitting of FITTING_IDS)
      expect(eventBody.safeParse({ kind: 'fitted', key: 'tip-1', fitting }).success).toBe(true)
    expect(eventBody.safeParse({ kind: 'fitted', key: 'tip-1', fitting: 'green' }).success).toBe(
      false,
    )
  })
})
