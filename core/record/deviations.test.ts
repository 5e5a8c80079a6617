import { describe, expect, it } from 'vitest'
import { done, roomOf, type TapAt } from '../testing/room'
import { usualStep } from '../testing/steps'
import type { EventBody } from '../treatment/taps/events'
import { minutes } from '../units'
import { countedWords } from './countedWords'
import { deviationsOf } from './deviations'

describe('what was counted', () => {
  it('is read in the record in words, and is silent where nothing was', () => {
    expect(countedWords({})).toBe('')
    expect(countedWords({ pads: [2, 0], water: 1, deviceLevel: 12 })).toBe(
      'pads 2, 0; water added 1 time; device at 12',
    )
  })
})

describe('what a step was besides its minutes', () => {
  const cream = usualStep('moisturiser')
  const said = (list: readonly TapAt[]) => deviationsOf(cream, cream.minutes, roomOf([cream], list))
  it('stands in its line of the record: waited for, ended all the same, taken back', () => {
    expect(said([[2, done(cream)]])).toEqual([])
    const notYet: EventBody = { kind: 'notYet', key: cream.key }
    expect(
      said([
        [1, notYet],
        [2, notYet],
        [3, done(cream)],
      ]),
    ).toContain('its cue was waited for 2 times')
    const because = { ...done(cream), cue: false, because: 'client asked' } as EventBody
    expect(said([[2, because]])).toContain('ended before its cue: client asked')
    const back: EventBody = { kind: 'takenBack', key: cream.key }
    expect(
      said([
        [2, done(cream)],
        [3, back],
        [4, done(cream)],
      ]),
    ).toContain('its end was undone once')
    const fault: EventBody = {
      kind: 'deviceSaid',
      key: cream.key,
      level: null,
      fault: 'It sticks.',
    }
    expect(
      said([
        [1, fault],
        [2, done(cream)],
      ]),
    ).toContain('It sticks.')
  })
  it('says what it was done with where that was not as planned, and nothing where it was', () => {
    const steam = usualStep('steam', { setting: 35 })
    const saidOf = (...list: readonly EventBody[]) =>
      deviationsOf(
        steam,
        steam.minutes,
        roomOf(
          [steam],
          [...list, done(steam)].map((body, i) => [i, body] as const),
        ),
      )
    const turn = (setting: number): EventBody => ({
      kind: 'settingChanged',
      key: steam.key,
      setting,
    })
    expect(saidOf().join()).not.toContain('distance')
    expect(saidOf(turn(40))).toContain('distance 40 cm')
    expect(saidOf(turn(40), turn(35)).join()).not.toContain('distance')
  })
})

describe('what is told of waiting', () => {
  it('once is once, and is not counted in words', () => {
    const cream = usualStep('moisturiser')
    const notYet: EventBody = { kind: 'notYet', key: cream.key }
    const room = roomOf(
      [cream],
      [
        [1, notYet],
        [2, done(cream)],
      ],
    )
    expect(deviationsOf(cream, cream.minutes, room)).toContain('its cue was waited for')
  })
  it('two minutes more or less are told, less than that is not; a mask at its very latest is in time', () => {
    const cream = usualStep('moisturiser', { minutes: minutes(4) })
    const room = roomOf([cream], [[4, done(cream)]])
    expect(deviationsOf(cream, 6, room)).toContain('+2 min')
    expect(deviationsOf(cream, 2, room)).toContain('−2 min')
    expect(deviationsOf(cream, 5.5, room)).toEqual([])
    const mask = usualStep('creamMask')
    const off = usualStep('maskOff', { key: 'off' })
    const rested = (at: number) =>
      deviationsOf(
        mask,
        mask.minutes,
        roomOf(
          [mask, off],
          [
            [2, done(mask)],
            // Taken off since its step began: at the moment the one before it ended.
            [2 + at, done(usualStep('stay', { key: 'wait' }))],
            [2 + at + 1, done(off)],
          ],
        ),
      )
    expect(rested(0).join()).toMatch(/rested .* min, earliest 10/)
  })
})
