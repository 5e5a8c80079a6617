import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { comingOff, type OffTask } from './comingOff'

/**
 * Another way to the same answer: minute by minute, at each of them either wait or begin one of
 * those that may come off. It knows no orders and sorts nothing.
 * @returns the fewest minutes late that do harm, of those the fewest late at all, then the soonest
 * end
 */
function byMinutes(tasks: readonly OffTask[]): Outcome {
  const horizon = tasks.reduce((sum, own) => sum + own.takes + Math.max(0, own.earliest), 0) + 1
  const known = new Map<string, Outcome>()
  const go = (minute: number, left: readonly OffTask[]): Outcome => {
    if (left.length === 0) return [0, 0, minute]
    if (minute > horizon) return [Infinity, Infinity, Infinity]
    const key = `${minute} ${left.map(({ id }) => id).join()}`
    const seen = known.get(key)
    if (seen) return seen
    let best = go(minute + 1, left)
    for (const own of left) {
      if (own.earliest > minute) continue
      const [harm, over, end] = go(
        minute + own.takes,
        left.filter((other) => other !== own),
      )
      const late = Math.max(0, minute - own.latest)
      const tried: Outcome = [harm + (own.harmless ? 0 : late), over + late, end]
      const at = tried.findIndex((value, place) => value !== best[place])
      if (at >= 0 && (tried[at] ?? 0) < (best[at] ?? 0)) best = tried
    }
    known.set(key, best)
    return best
  }
  return go(0, tasks)
}

type Outcome = readonly [harm: number, over: number, end: number]

const task = fc
  .tuple(
    fc.boolean(),
    fc.integer({ min: -10, max: 15 }),
    fc.integer({ min: 0, max: 10 }),
    fc.integer({ min: 1, max: 4 }),
  )
  .map(([harmless, earliest, wide, takes]) => ({
    ...{ harmless, earliest, takes },
    latest: earliest + wide,
  }))
const few = fc
  .array(task, { minLength: 1, maxLength: 4 })
  .map((list) => list.map((own, at): OffTask => ({ id: `mask-${at}`, ...own })))

describe('what comes off next', () => {
  it('does as little harm, misses as few minutes and ends as soon as any way to do it', () => {
    fc.assert(
      fc.property(few, (tasks) => {
        const found = comingOff(tasks)
        if (!found) throw new Error('something comes off')
        const end = found.order.reduce((_, { id, begin }) => {
          const own = tasks.find((one) => one.id === id)
          return begin + (own?.takes ?? 0)
        }, 0)
        const over = found.order.reduce((sum, { late }) => sum + late, 0)
        expect([found.late, over, end]).toEqual(byMinutes(tasks))
      }),
      { numRuns: 400 },
    )
  })
  it('begun at the latest that it names, all still come off in time', () => {
    fc.assert(
      fc.property(few, (tasks) => {
        const found = comingOff(tasks)
        if (!found || found.late > 0) return
        let clock = found.beginBy
        for (const { id } of found.order) {
          const own = tasks.find((one) => one.id === id)
          if (!own) throw new Error(id)
          const begin = Math.max(clock, own.earliest)
          if (!own.harmless) expect(begin).toBeLessThanOrEqual(own.latest)
          clock = begin + own.takes
        }
      }),
      { numRuns: 400 },
    )
  })
  it('takes the one off first that cannot wait', () => {
    const found = comingOff([
      { id: 'cream', earliest: 0, latest: 20, takes: 2 },
      { id: 'acid', earliest: 1, latest: 1.5, takes: 2 },
    ])
    expect(found?.order.map(({ id }) => id)).toEqual(['acid', 'cream'])
    expect(found?.late).toBe(0)
  })
  it('lets wait what may be late without harm, and says nothing of its lateness', () => {
    const found = comingOff([
      { id: 'cream', earliest: -20, latest: -1, takes: 3, harmless: true },
      { id: 'clay', earliest: 0, latest: 2, takes: 2 },
    ])
    expect(found?.order.map(({ id }) => id)).toEqual(['clay', 'cream'])
    expect(found).toMatchObject({ late: 0, beginBy: 2 })
    // Nothing else rests: its own window is what is said.
    const alone = comingOff([{ id: 'cream', earliest: 0, latest: 5, takes: 3, harmless: true }])
    expect(alone).toMatchObject({ late: 0, beginBy: 5 })
  })
  it('says nothing where nothing rests, and refuses more than hands can reckon with', () => {
    expect(comingOff([])).toBeUndefined()
    const many = Array.from({ length: 7 }, (_, at) => ({
      id: `${at}`,
      earliest: 0,
      latest: 9,
      takes: 1,
    }))
    expect(() => comingOff(many)).toThrow(RangeError)
  })
})
