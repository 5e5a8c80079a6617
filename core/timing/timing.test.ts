import { describe, expect, it } from 'vitest'
import type { PlanStep } from '../catalogue/techniques/step'
import type { TechniqueId } from '../catalogue/techniques/techniques'
import { GROUPS } from '../face/regions'
import { diaryConflicts, type Booking } from './diary'
import { dwellWindow, schedule } from './schedule'
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
      booking('a', at(9), { devices: [{ kind: 'steamer', name: 'steamer', from: 15, to: 20 }] }),
      booking('b', at(9), {
        roomId: 'stove',
        staffId: 'tomas',
        devices: [{ kind: 'steamer', name: 'steamer', from: 19, to: 25 }],
      }),
    ]
    const steamer = { kind: 'steamer', ready: true, roomIds: [] } as const
    expect(diaryConflicts(two, [steamer])).toMatchObject([{ kind: 'device', device: 'steamer' }])
    expect(diaryConflicts(two, [steamer, steamer])).toEqual([])
    expect(diaryConflicts(two, [steamer, { ...steamer, ready: false }])).toHaveLength(1)
    expect(diaryConflicts(two, [steamer, { ...steamer, roomIds: ['third'] }])).toHaveLength(1)
    expect(diaryConflicts(two, [steamer, { ...steamer, roomIds: ['lake'] }])).toEqual([])
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
