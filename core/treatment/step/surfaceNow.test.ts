import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { withFirst } from '../../planning/answer/putRight'
import { propose } from '../../planning/answer/propose'
import { trace } from '../../planning/steps/trace'
import { planInput } from '../../testing/fixtures'
import { at, done, roomOf, type TapAt } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { minutes } from '../../units'
import { notReady, surfaceAt } from './surfaceNow'

const input = planInput()
const { steps } = propose(input)
/** Every step ended at its planned minute, but for those that took longer. */
function ended(list: readonly PlanStep[], longer: Readonly<Record<string, number>> = {}) {
  let minute = 0
  return list.map((step): TapAt => {
    minute += step.minutes + (longer[step.key] ?? 0)
    return [minute, done(step)]
  })
}

describe('what lies on the skin, by what was done', () => {
  it('is what the plan said where it was kept to the minute, at every step of it', () => {
    const planned = trace(input, steps)
    const all = ended(steps)
    steps.forEach((step, place) => {
      const state = roomOf(steps, all.slice(0, place))
      const [minute] = all[place - 1] ?? [0]
      expect(surfaceAt(state, steps, true, at(minute)).L, step.key).toEqual(
        planned.states[place]?.before,
      )
      expect(notReady(state, steps, [step], input), step.key).toBeUndefined()
    })
  })
  it('is the same a little sooner or later: half a minute is nothing to speak of', () => {
    fc.assert(
      fc.property(fc.nat(steps.length - 1), fc.integer({ min: -25, max: 25 }), (place, seconds) => {
        const all = ended(steps.slice(0, place))
        const last = all.at(-1)
        const moved = last ? [...all.slice(0, -1), [last[0] + seconds / 60, last[1]] as TapAt] : []
        const state = roomOf(steps, moved)
        const step = steps[place]
        if (!step || step.minutes < 1) return
        const found = notReady(state, steps, [step], input)
        // A layer that came half a minute too soon is the one thing that may be said.
        if (found) expect(found.words).toContain('settled')
      }),
    )
  })
})

describe('a step that does not find the skin as it needs it', () => {
  const gel = usualStep('secondCleanse')
  const tone = usualStep('tone')
  const serum = usualStep('serum')
  const list = [usualStep('milk'), gel, tone, serum]
  const until = (more: readonly TapAt[]) => roomOf(list, [...ended(list.slice(0, 2)), ...more])
  const [[, [cleansed]]] = [ended(list.slice(0, 2))] as unknown as [[TapAt, TapAt]]

  it('says so once the skin has dried while hands were away, and what puts it right', () => {
    const toned = cleansed + 1
    const damp = until([[toned, done(tone)]])
    expect(notReady(damp, list, [serum], input)).toBeUndefined()
    const away = until([
      [toned, done(tone)],
      [toned, { kind: 'held' }],
      [toned + 5, { kind: 'resumed' }],
    ])
    const found = notReady(away, list, [serum], input)
    expect(found?.words).toBe('needs damp skin, finds dry')
    expect(found?.first.map(({ technique }) => technique)).toEqual(['mist'])
    // It is put right as soon as the mist stands before it, done or still to be ticked.
    const mist = usualStep('mist', { key: 'again', minutes: minutes(0.5) })
    expect(notReady(away, [...list, mist], [mist, serum], input)).toBeUndefined()
  })
  it('is put right straight before it, once, under a key of its own', () => {
    const before = [usualStep('mist', { key: 'mist-1' })]
    const first = [{ technique: 'mist', minutes: minutes(0.5), regions: serum.regions }] as const
    const next = withFirst(list, before, serum.key, first, input)
    const place = next.findIndex(({ key }) => key === serum.key)
    expect(next[place - 1]).toMatchObject({ technique: 'mist', key: 'mist-2' })
    expect(next.filter(({ key }) => key !== 'mist-2')).toEqual(list)
    expect(withFirst(list, before, 'gone', first, input)).toEqual(list)
  })
  it('asks for clean skin in one word where the cleanses were skipped', () => {
    const state = roomOf(list, [
      [1, { kind: 'stepSkipped', key: 'milk-9', reason: 'time' }],
      [2, { kind: 'stepSkipped', key: gel.key, reason: 'time' }],
    ])
    expect(notReady(state, list, [tone], input)?.words).toContain('needs clean skin')
  })
  it('asks for nothing after a stop: no cleanse on skin that has reacted', () => {
    const calm = [...list, usualStep('moisturiser')]
    const skipped = list.map(({ key }, place): TapAt => [
      place + 1,
      { kind: 'stepSkipped', key, reason: 'time' },
    ])
    const cream = calm.slice(-1)
    expect(notReady(roomOf(calm, skipped), calm, cream, input)?.words).toContain('clean')
    const stopped = roomOf(calm, [...skipped, [9, { kind: 'stopped', reason: 'burning' }]])
    expect(notReady(stopped, calm, cream, input)).toBeUndefined()
  })
  it('has no mist offered that the shelf cannot give', () => {
    const dry = until([
      [cleansed + 1, done(tone)],
      [cleansed + 1, { kind: 'held' }],
      [cleansed + 6, { kind: 'resumed' }],
    ])
    const bare = { ...input, shelf: input.shelf.filter(({ product }) => product.kind !== 'mist') }
    const found = notReady(dry, list, [serum], bare)
    expect(found?.words).toBe('needs damp skin, finds dry')
    expect(found?.first.map(({ technique }) => technique)).not.toContain('mist')
  })
  it('says what was skipped and is missing below', () => {
    const clay = usualStep('clay')
    const off = usualStep('maskOff')
    const moisturiser = usualStep('moisturiser')
    const all = [...list.slice(0, 3), clay, off, moisturiser]
    const state = roomOf(all, [
      ...ended(all.slice(0, 4)),
      [60, { kind: 'stepSkipped', key: off.key, reason: 'time' }],
    ])
    expect(notReady(state, all, [moisturiser], input)?.words).toContain('finds a mask')
  })
})
