import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../../catalogue/techniques/step'
import { at as atMinute, done, roomOf } from '../../testing/room'
import { usualStep } from '../../testing/steps'
import { removalMinutes } from '../../timing/removal'
import { minutes } from '../../units'
import type { FoldContext } from '../fold/fold'
import { layNext, layWords, stillToLay, type LayNext } from './layNext'

const lay = (key: string, on: number): PlanStep =>
  usualStep('clay', { key, minutes: minutes(on), regions: ['nose'] })
const off = usualStep('maskOff', { key: 'off' })
interface Window {
  earliest: number
  latest: number
}
/** The first is on since minute 2; the others are still to come; `now` is a minute of the visit. */
function at(
  now: number,
  windows: readonly Window[],
  ons: readonly number[],
  late: 'rewet' | 'harmless' = 'rewet',
) {
  const steps = [...windows.map((_, i) => lay(`m${i}`, ons[i] ?? 1)), off]
  const dwellOf: FoldContext['dwellOf'] = (step) => {
    const own = windows[Number(step.key.slice(1))]
    return (
      own && {
        earliest: minutes(own.earliest),
        latest: minutes(own.latest),
        late,
      }
    )
  }
  const state = roomOf(steps, [[2, done({ key: 'm0' })]], { dwellOf })
  return { steps, state, next: layNext(state, steps, steps, dwellOf, atMinute(now)) }
}
/** Half minutes up to ten. */
const HALVES = Array.from({ length: 21 }, (_, half) => half / 2)
const TAKES = removalMinutes('clay', ['nose'])

describe('what is put on while something rests', () => {
  it('is what the plan has up to where something comes off', () => {
    const { state, steps } = at(
      2,
      [
        { earliest: 5, latest: 9 },
        { earliest: 5, latest: 9 },
      ],
      [1, 1],
    )
    expect(stillToLay(state, steps).map(({ key }) => key)).toEqual(['m1'])
  })
  it('goes on at once where there is time for it', () => {
    const { next } = at(
      3,
      [
        { earliest: 8, latest: 12 },
        { earliest: 2, latest: 20 },
      ],
      [1, 2],
    )
    expect(next).toMatchObject({ inTime: true, first: { key: 'm1', do: 'on' }, begin: 0 })
  })
  it('waits until what rests is off, where it would hold it up', () => {
    const { next } = at(
      3,
      [
        { earliest: 2, latest: 3 },
        { earliest: 2, latest: 20 },
      ],
      [1, 5],
    )
    expect(next?.first).toEqual({ key: 'm0', do: 'off' })
    expect(next?.begin).toBe(1)
  })
  it('cannot be in time once something is late', () => {
    const { next } = at(
      9,
      [
        { earliest: 4, latest: 5 },
        { earliest: 2, latest: 20 },
      ],
      [1, 3],
    )
    expect(next?.inTime).toBe(false)
  })
  it('does not wait for what is late without harm', () => {
    const late = [
      { earliest: 4, latest: 5 },
      { earliest: 2, latest: 20 },
    ]
    expect(at(9, late, [1, 9], 'harmless').next).toMatchObject({
      inTime: true,
      first: { key: 'm1', do: 'on' },
    })
    expect(at(9, late, [1, 9]).next?.inTime).toBe(false)
  })
  it('is said in words: only a change of the plan names something else than the plan', () => {
    const of = (more: Partial<LayNext>) =>
      layWords(
        {
          inTime: true,
          first: { key: 'm1', do: 'on' },
          begin: minutes(0),
          by: minutes(3),
          ...more,
        },
        (key) => key,
        'm1',
      )
    expect(of({})).toBe('m1: begun within 3 min, all come off in time.')
    expect(of({ first: { key: 'm2', do: 'on' }, begin: minutes(1) })).toBe(
      'm2 goes on next, in 1 min.',
    )
    expect(of({ first: { key: 'm0', do: 'off' } })).toBe(
      'm0 comes off before anything more goes on.',
    )
    expect(of({ inTime: false })).toMatch(/leave it out/)
  })
  it('is nothing to reckon with where nothing rests or nothing comes', () => {
    expect(at(1, [{ earliest: 4, latest: 9 }], [1]).next).toBeUndefined()
  })
  it('begun as it says, and begun at the last moment it names, leaves nobody late', () => {
    const window = fc
      .tuple(fc.integer({ min: 0, max: 9 }), fc.integer({ min: 0, max: 9 }))
      .map(([earliest, room]) => ({ earliest, latest: earliest + room }))
    fc.assert(
      fc.property(window, window, fc.integer({ min: 1, max: 4 }), (one, other, on) => {
        const { next } = at(2, [one, other], [1, on])
        /** By hand: both ways of doing it, each begun after so many minutes. */
        const canBe = (wait: number) => {
          const onFirst = HALVES.some((rest) => {
            // The second goes on after `wait`, the first comes off after it and `rest` more.
            const firstOff = wait + on + rest
            const afterFirst = firstOff + TAKES
            const begins = Math.max(afterFirst, wait + on + other.earliest)
            const before = wait + on + other.earliest
            const secondFirst = Math.max(one.earliest, before + TAKES)
            return (
              (firstOff >= one.earliest &&
                firstOff <= one.latest &&
                begins <= wait + on + other.latest) ||
              secondFirst <= one.latest
            )
          })
          const offFirst = Math.max(wait, one.earliest) <= one.latest
          return { on: onFirst, off: offFirst }
        }
        const now = canBe(0)
        expect(next?.inTime).toBe(now.on || now.off)
        if (!next?.first) return
        // The plan has the second go on next: so it does wherever it may.
        if (now.on) expect(next).toMatchObject({ first: { do: 'on' }, begin: 0 })
        expect(canBe(next.begin)[next.first.do]).toBe(true)
        // Any moment up to the last one that it names will do, and the one after that will not.
        for (const wait of HALVES.filter((half) => half >= next.begin && half <= next.by))
          expect(canBe(wait)[next.first.do], `after ${wait}`).toBe(true)
        if (now.on) expect(canBe(next.by + 0.5).on).toBe(false)
        expect(next.by).toBeGreaterThanOrEqual(next.begin)
      }),
      { numRuns: 2000 },
    )
  })
})

describe('what is still to lay', () => {
  const mask = lay('m0', 1)
  const other = lay('m1', 1)
  const after = usualStep('creamMask', { key: 'm2' })
  it('ends where something comes off: at that step itself nothing is', () => {
    const steps = [mask, other, off, after]
    const at = (list: readonly PlanStep[]) =>
      stillToLay(
        roomOf(
          steps,
          list.map((step, minute) => [minute + 1, done(step)]),
        ),
        steps,
      ).map(({ key }) => key)
    expect(at([])).toEqual(['m0', 'm1'])
    expect(at([mask])).toEqual(['m1'])
    expect(at([mask, other])).toEqual([])
    expect(at([mask, other, off])).toEqual(['m2'])
  })
  it('is a question only while something rests and something is to come', () => {
    const window = { earliest: 5, latest: 20 }
    expect(at(3, [window, window], [1, 1]).next).toBeDefined()
    expect(at(3, [window], [1]).next).toBeUndefined()
    const steps = [mask, other, off]
    const none = () => ({
      ...window,
      earliest: minutes(5),
      latest: minutes(20),
      late: 'rewet' as const,
    })
    expect(layNext(roomOf(steps, []), steps, steps, none, atMinute(1))).toBeUndefined()
  })
})

describe('what rests past its latest', () => {
  it('is late at once: nothing is begun before it comes off', () => {
    const window = { earliest: 2, latest: 4 }
    expect(at(20, [window, { earliest: 2, latest: 30 }], [1, 1]).next).toEqual({
      inTime: false,
      begin: 0,
      by: 0,
    })
  })
})
