import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { comingOff, type OffTask } from './comingOff'

/**
 * Another way to the same answer: minute by minute, at each of them either wait or begin one of
 * those that may come off. It knows no orders and sorts nothing.
 * @returns the least minutes late and, of those, the earliest end
 */
function byMinutes(tasks: readonly OffTask[]): { late: number; end: number } {
  const horizon = tasks.reduce((sum, own) => sum + own.takes + Math.max(0, own.earliest), 0) + 1
  const known = new Map<string, { late: number; end: number }>()
  const go = (minute: number, left: readonly OffTask[]): { late: number; end: number } => {
    if (left.length === 0) return { late: 0, end: minute }
    if (minute > horizon) return { late: Infinity, end: Infinity }
    const key = `${minute} ${left.map(({ id }) => id).join()}`
    const seen = known.get(key)
    if (seen) return seen
    let best = go(minute + 1, left)
    for (const own of left) {
      if (own.earliest > minute) continue
      const rest = go(
        minute + own.takes,
        left.filter((other) => other !== own),
      )
      const late = rest.late + Math.max(0, minute - own.latest)
      if (late < best.late || (late === best.late && rest.end < best.end))
        best = { late, end: rest.end }
    }
    known.set(key, best)
    return best
  }
  return go(0, tasks)
}

const task = fc
  .tuple(
    fc.integer({ min: -10, max: 15 }),
    fc.integer({ min: 0, max: 10 }),
    fc.integer({ min: 1, max: 4 }),
  )
  .map(([earliest, wide, takes]) => ({ earliest, latest: earliest + wide, takes }))
const few = fc
  .array(task, { minLength: 1, maxLength: 4 })
  .map((list) => list.map((own, at): OffTask => ({ id: `mask-${at}`, ...own })))

describe('what comes off next', () => {
  it('misses as few minutes as any way to do it, and ends as soon', () => {
    fc.assert(
      fc.property(few, (tasks) => {
        const found = comingOff(tasks)
        if (!found) throw new Error('something comes off')
        const end = found.order.reduce((_, { id, begin }) => {
          const own = tasks.find((one) => one.id === id)
          return begin + (own?.takes ?? 0)
        }, 0)
        expect({ late: found.late, end }).toEqual(byMinutes(tasks))
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
          expect(begin).toBeLessThanOrEqual(own.latest)
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
