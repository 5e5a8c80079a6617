import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { stagger, type MaskTask } from './stagger'
import { atLeastLooked } from '../testing/looked'

/**
 * The shortest time by stepping through it tick by tick: with free hands one waits a tick, puts a
 * mask on or takes one off; nothing of orders, waits or windows is worked out beforehand.
 */
function byTicks(tasks: readonly MaskTask[]): number | undefined {
  const OFF = -2
  const NOT_YET = -1
  // What rests already is counted from now, so that its clock stands at nought.
  const start = tasks.map(({ resting }) => (resting ? 0 : NOT_YET))
  const at = new Map<number, Map<string, number[]>>()
  const put = (time: number, state: number[]) => {
    if (state.some((rested, i) => rested >= 0 && rested > (tasks[i]?.latest ?? 0))) return
    const there = at.get(time) ?? new Map<string, number[]>()
    at.set(time, there.set(state.join(), state))
  }
  const after = (state: readonly number[], ticks: number, mask = -1, is = 0) =>
    state.map((rested, i) => (i === mask ? is : rested >= 0 ? rested + ticks : rested))
  put(0, start)
  for (let time = 0; time <= 120; time++) {
    for (const state of (at.get(time) ?? new Map<string, number[]>()).values()) {
      if (state.every((rested) => rested === OFF)) return time
      put(time + 1, after(state, 1))
      tasks.forEach((task, i) => {
        const rested = state[i] ?? 0
        if (rested === NOT_YET) put(time + task.on, after(state, task.on, i, 0))
        if (rested >= Math.max(0, task.earliest))
          put(time + task.off, after(state, task.off, i, OFF))
      })
    }
    at.delete(time)
  }
  return undefined
}

const task = fc.record({
  on: fc.integer({ min: 1, max: 4 }),
  off: fc.integer({ min: 1, max: 4 }),
  earliest: fc.integer({ min: 0, max: 9 }),
  room: fc.integer({ min: 0, max: 4 }),
})
const sets = (most: number) =>
  fc.array(task, { minLength: 1, maxLength: most }).map((list) =>
    list.map((drawn, i): MaskTask => ({
      id: `m${i}`,
      on: drawn.on,
      off: drawn.off,
      earliest: drawn.earliest,
      latest: drawn.earliest + drawn.room,
    })),
  )
const RUNS = process.env.OAK_FULL ? 1000 : 100

/** Some of them rest already: their windows are from now, and may have begun before. */
const half = fc
  .tuple(sets(4), fc.array(fc.integer({ min: 0, max: 8 }), { minLength: 4, maxLength: 4 }))
  .map(([tasks, ran]) =>
    tasks.map((own, at): MaskTask => {
      const since = ran[at] ?? 0
      const shift = since - 2
      return since % 2 === 0
        ? own
        : { ...own, resting: true, earliest: own.earliest - shift, latest: own.latest - shift }
    }),
  )

describe('stagger', () => {
  it('from now on, beside what rests already, is as short as stepping through time', () => {
    let possible = 0
    fc.assert(
      fc.property(half, (tasks) => {
        const found = stagger(tasks)
        expect(found?.length).toBe(byTicks(tasks))
        if (!found) return
        possible++
        for (const own of tasks) {
          expect(found.dwell[own.id]).toBeGreaterThanOrEqual(own.earliest)
          expect(found.dwell[own.id]).toBeLessThanOrEqual(own.latest)
        }
        const on = found.actions.filter((action) => action.do === 'on').map(({ id }) => id)
        const fresh = tasks.filter(({ resting }) => !resting).map(({ id }) => id)
        expect([...on].sort()).toEqual([...fresh].sort())
      }),
      { numRuns: RUNS },
    )
    expect(possible).toBeGreaterThanOrEqual(atLeastLooked(RUNS / 5))
  }, 120_000)
  it('is as short as stepping through time, and possible if and only if that is', () => {
    let apart = 0
    fc.assert(
      fc.property(sets(4), (tasks) => {
        const found = stagger(tasks)
        expect(found?.length).toBe(byTicks(tasks))
        if (!found) return
        const waits = found.actions.filter((action) => action.wait > 0)
        if (waits.length > 1) apart++
        for (const own of tasks) {
          expect(found.dwell[own.id]).toBeGreaterThanOrEqual(own.earliest)
          expect(found.dwell[own.id]).toBeLessThanOrEqual(own.latest)
        }
        const hands = tasks.reduce((sum, own) => sum + own.on + own.off, 0)
        expect(found.length).toBe(hands + waits.reduce((sum, action) => sum + action.wait, 0))
      }),
      { numRuns: RUNS },
    )
    expect(apart).toBeGreaterThanOrEqual(atLeastLooked(1))
  }, 120_000)
  it('waits between two masks where one has to rest long and the other only so long', () => {
    const long = { id: 'long', on: 2, off: 2, earliest: 20, latest: 22 }
    const exact = { id: 'exact', on: 2, off: 2, earliest: 5, latest: 5 }
    const found = stagger([long, exact])
    expect(found?.actions).toEqual([
      { id: 'long', do: 'on', wait: 0 },
      { id: 'exact', do: 'on', wait: expect.any(Number) as number },
      { id: 'exact', do: 'off', wait: 5 },
      { id: 'long', do: 'off', wait: expect.any(Number) as number },
    ])
    expect(found?.length).toBe(24)
  })
  it('does not depend on the order of the list', () => {
    fc.assert(
      fc.property(sets(4), (tasks) => {
        expect(stagger([...tasks].reverse())).toEqual(stagger(tasks))
      }),
      { numRuns: 60 },
    )
  })
  it('refuses an empty window and a fifth mask', () => {
    const one = { id: 'a', on: 1, off: 1, earliest: 5, latest: 4 }
    expect(() => stagger([one])).toThrow(RangeError)
    expect(() =>
      stagger(Array.from({ length: 5 }, (_, i) => ({ ...one, id: String(i), latest: 9 }))),
    ).toThrow(RangeError)
  })
})
