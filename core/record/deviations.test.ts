import { describe, expect, it } from 'vitest'
import { done, roomOf, type TapAt } from '../testing/room'
import { usualStep } from '../testing/steps'
import type { EventBody } from '../treatment/taps/events'
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
    ).toContain('its end was taken back once')
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
