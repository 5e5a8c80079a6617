import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'
import { diaryConflicts, type Booking } from './diary'
import { dwellWindow, schedule } from './schedule'
import { stagger, type MaskTask } from './stagger'
import { minutes } from '../units'

const step = (technique: TechniqueId, took: number, regions = GROUPS.tZone): PlanStep => ({
  key: `${technique}-1`,
  technique,
  minutes: minutes(took),
  regions,
  why: [],
})
const calm = () => false

describe('schedule', () => {
  it('lets hands follow one another and reads the resting off between', () => {
    const times = schedule(
      [step('clay', 2), step('handsArms', 8, []), step('maskOff', 1)],
      (step) => dwellWindow(step, calm),
    )
    expect(times.total).toBe(11)
    expect(times.resting).toMatchObject([
      { start: 2, end: 10, earliest: 5, latest: 12, removed: true },
    ])
    expect(times.idle).toBe(0)
  })
  it('takes the short window on sensitive skin and says what was never removed', () => {
    expect(dwellWindow(step('clay', 2), (region) => region === 'nose')).toMatchObject({
      earliest: 5,
      latest: 7,
    })
    expect(
      schedule([step('clay', 2), step('stay', 3, [])], (step) => dwellWindow(step, calm)),
    ).toMatchObject({ idle: 3, resting: [{ removed: false, end: 5 }] })
  })
})

/** Every order and every whole free time, tried one by one: slow and plain. */
function enumerate(tasks: MaskTask[]): number | undefined {
  const orders = permute(tasks)
  let best: number | undefined
  for (const on of orders)
    for (const off of orders)
      for (let free = 0; free <= 60; free++) {
        let clock = 0
        const onAt = new Map<string, number>()
        for (const task of on) {
          clock += task.on
          onAt.set(task.id, clock)
        }
        clock += free
        let ok = true
        for (const task of off) {
          const dwell = clock - (onAt.get(task.id) ?? 0)
          if (dwell < task.earliest || dwell > task.latest) ok = false
          clock += task.off
        }
        if (ok && (best === undefined || clock < best)) best = clock
      }
  return best
}
const permute = <T>(xs: T[]): T[][] =>
  xs.length < 2
    ? [xs]
    : xs.flatMap((other, i) =>
        permute([...xs.slice(0, i), ...xs.slice(i + 1)]).map((order) => [other, ...order]),
      )

describe('masks side by side', () => {
  const task = fc.record({
    on: fc.integer({ min: 1, max: 4 }),
    off: fc.integer({ min: 1, max: 4 }),
    earliest: fc.integer({ min: 2, max: 20 }),
    room: fc.integer({ min: 0, max: 12 }),
  })
  it('is as short as trying every order and every wait', () => {
    let impossible = 0
    fc.assert(
      fc.property(fc.array(task, { minLength: 1, maxLength: 3 }), (list) => {
        const tasks = list.map((drawn, i): MaskTask => ({
          id: `m${i}`,
          on: drawn.on,
          off: drawn.off,
          earliest: drawn.earliest,
          latest: drawn.earliest + drawn.room,
        }))
        const found = stagger(tasks)
        if (!found) impossible++
        expect(found?.length).toBe(enumerate(tasks))
        for (const task of tasks)
          if (found) {
            expect(found.dwell[task.id]).toBeGreaterThanOrEqual(task.earliest)
            expect(found.dwell[task.id]).toBeLessThanOrEqual(task.latest)
          }
      }),
      { numRuns: 150 },
    )
    expect(impossible).toBeGreaterThan(0)
  })
  it('does not depend on the order of the list', () => {
    fc.assert(
      fc.property(fc.array(task, { minLength: 2, maxLength: 4 }), (list) => {
        const tasks = list.map((drawn, i): MaskTask => ({
          id: `m${i}`,
          on: drawn.on,
          off: drawn.off,
          earliest: drawn.earliest,
          latest: drawn.earliest + drawn.room,
        }))
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

describe('diary', () => {
  const at = (hour: number, minute = 0) => Date.UTC(2026, 2, 10, hour, minute)
  const booking = (id: string, start: number, more: Partial<Booking> = {}): Booking => ({
    id,
    roomId: 'lake',
    staffId: 'ilse',
    clientId: id,
    start,
    minutes: 60,
    cleaningMinutes: 10,
    devices: [],
    ...more,
  })
  it('sees a room, a person and a client taken twice', () => {
    const kinds = diaryConflicts([
      booking('a', at(9)),
      booking('b', at(9, 30), { clientId: 'a' }),
    ]).map((diaryConflict) => diaryConflict.kind)
    expect(kinds.sort()).toEqual(['client', 'person', 'room'])
  })
  it('wants the cleaning minutes between two clients of one room', () => {
    expect(
      diaryConflicts([booking('a', at(9)), booking('b', at(10, 5), { staffId: 'tomas' })]).map(
        (diaryConflict) => diaryConflict.kind,
      ),
    ).toEqual(['cleaning'])
    expect(
      diaryConflicts([booking('a', at(9)), booking('b', at(10, 10), { staffId: 'tomas' })]),
    ).toEqual([])
  })
  it('sees one steamer wanted in two rooms at once, and allows it with two', () => {
    const two = [
      booking('a', at(9), { devices: [{ kind: 'steamer', from: 15, to: 20 }] }),
      booking('b', at(9), {
        roomId: 'stove',
        staffId: 'tomas',
        devices: [{ kind: 'steamer', from: 19, to: 25 }],
      }),
    ]
    expect(diaryConflicts(two, { steamer: 1 })).toMatchObject([
      { kind: 'device', device: 'steamer' },
    ])
    expect(diaryConflicts(two, { steamer: 2 })).toEqual([])
  })
  it('finds the same conflicts in any order of the bookings', () => {
    const list = [
      booking('a', at(9)),
      booking('b', at(9, 50)),
      booking('c', at(10), { roomId: 'stove' }),
    ]
    const kinds = (bookings: Booking[]) =>
      diaryConflicts(bookings)
        .map((diaryConflict) => `${diaryConflict.kind}${diaryConflict.a}${diaryConflict.b}`)
        .sort()
    expect(kinds([...list].reverse())).toEqual(kinds(list))
  })
})
