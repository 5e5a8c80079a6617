import { randomUUID } from 'node:crypto'
import { DateTime } from 'luxon'
import postgres from 'postgres'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { HoursPage, Place, WeekDay } from '#contracts/replies/house'
import { demoId } from '#db/demo/ids'
import { add, dayOf, tuesdaysOf, wanted } from '../support/bookings'
import { signedIn, testUrl, type Caller } from '../support/http'
import { ROOM, someone, STAFF } from '../support/visit'

const app = postgres(process.env.OAK_TEST_APP_DB ?? '', { max: 2, onnotice: () => {} })
/** Where the house stands. */
const zone = process.env.OAK_DEMO_ZONE ?? 'Europe/Helsinki'
let owner: Caller
let therapist: Caller
beforeAll(async () => {
  ;[owner, therapist] = await Promise.all([
    signedIn(testUrl(), 'owner'),
    signedIn(testUrl(), 'therapist'),
  ])
})
afterAll(() => app.end())

const aTuesday = tuesdaysOf(2041)

describe('a room, a person and a client are in one visit at a time', () => {
  it('is refused with what is in the way, also where there is no time to clean', async () => {
    const day = aTuesday()
    expect((await add(owner, wanted(day, '08:00'))).status).toBe(200)
    const other = { clientId: demoId('other-31'), staffId: STAFF.therapist }
    const room = await add(owner, wanted(day, '08:30', other))
    expect(room.status).toBe(409)
    expect(room.text).toContain('The room is taken')
    expect((await add(owner, wanted(day, '09:05', other))).text).toContain('No time to clean')
    const elsewhere = { roomId: demoId('room-stove') }
    const person = await add(
      owner,
      wanted(day, '08:30', { ...elsewhere, clientId: other.clientId }),
    )
    expect(person.text).toContain('The therapist has a visit')
    const client = await add(
      owner,
      wanted(day, '08:30', { ...elsewhere, staffId: STAFF.therapist }),
    )
    expect(client.text).toContain('The client has a visit')
    expect((await add(owner, wanted(day, '09:10', other))).status).toBe(200)
    expect((await dayOf(owner, day)).visits).toHaveLength(2)
  })
  it('holds for any number at once, and for the database alone', async () => {
    const day = aTuesday()
    const many = Array.from({ length: 12 }, (_, at) =>
      add(owner, wanted(day, '10:00', { clientId: demoId(`other-${at}`) })),
    )
    const replies = await Promise.all(many)
    expect(replies.filter(({ status }) => status === 200)).toHaveLength(1)
    expect(replies.filter(({ status }) => status === 409)).toHaveLength(11)
    const [stands] = (await dayOf(owner, day)).visits
    await expect(
      app`insert into visits (id, client_id, staff_id, room_id, starts_at, minutes, school)
        select gen_random_uuid(), client_id, staff_id, room_id, starts_at, 30, school
        from visits where id = ${stands?.id ?? ''}`,
    ).rejects.toMatchObject({ code: '23P01' })
  })
  it('an owner says why it stands all the same, nobody else does', async () => {
    const day = aTuesday()
    const reason = { allowedBecause: 'sisters, side by side' }
    const sister = { clientId: demoId('other-31'), staffId: STAFF.therapist, ...reason }
    expect((await add(owner, wanted(day, '08:00'))).status).toBe(200)
    expect(
      (await add(therapist, wanted(day, '08:00', { ...sister, clientId: demoId('other-2') })))
        .status,
    ).not.toBe(200)
    expect((await add(owner, wanted(day, '08:00', sister))).status).toBe(200)
    const told = (await dayOf(owner, day)).visits.map(({ allowedBecause }) => allowedBecause)
    expect(told).toContain('sisters, side by side')
  })
  it('is asked when a visit moves, and a trainee hands none on', async () => {
    const day = aTuesday()
    const [still, moves] = [wanted(day, '08:00'), wanted(day, '12:00')]
    await add(owner, still)
    await add(owner, moves)
    const patch = (id: string, body: object, call = owner) =>
      call(`/api/visits/${id}`, { method: 'PATCH', body: { version: 1, ...body } })
    expect((await patch(moves.id, { startsAt: `${day}T08:30:00Z` })).status).toBe(409)
    expect((await patch(moves.id, { startsAt: `${day}T10:00:00Z` })).status).toBe(200)
    const trainee = await signedIn(testUrl(), 'trainee')
    const own = wanted(day, '14:00', {
      staffId: STAFF.trainee,
      clientId: await someone(trainee, 'Of The Trainee'),
    })
    expect((await add(trainee, own)).status).toBe(200)
    expect((await patch(own.id, { staffId: STAFF.owner }, trainee)).status).toBe(403)
  })
})

describe('hours, closures and leave', () => {
  const nine = { weekday: 2, fromMinute: 9 * 60, toMinute: 13 * 60 }
  const keep = (staffId: string | null, openings: object[]) =>
    owner('/api/openings', { method: 'PUT', body: { staffId, openings } })
  afterAll(async () => {
    await keep(null, [])
    await keep(STAFF.therapist, [])
  })
  it('bar what lies outside them, and places are offered inside them only', async () => {
    const day = aTuesday()
    await keep(null, [nine])
    await keep(STAFF.therapist, [{ ...nine, fromMinute: 11 * 60 }])
    const at = (clock: string, more: object = {}) =>
      wanted(day, '', {
        startsAt: DateTime.fromISO(`${day}T${clock}`, { zone }).toUTC().toISO(),
        ...more,
      })
    expect((await add(owner, at('07:00'))).text).toContain('The practice is not open')
    const his = { staffId: STAFF.therapist, clientId: demoId('other-31') }
    expect((await add(owner, at('09:00', his))).text).toContain('does not work then')
    expect((await add(owner, at('09:00'))).status).toBe(200)
    const asked = `from=${day}&days=1&minutes=60`
    const places = async (more: string) =>
      (await owner(`/api/places?${asked}&${more}`)).body as Place[]
    const clock = new Intl.DateTimeFormat('en-GB', {
      timeStyle: 'short',
      timeZone: (await dayOf(owner, day)).timeZone,
    })
    const of = async (staffId: string, roomId: string) =>
      (await places(`staffId=${staffId}&roomId=${roomId}`)).map(({ startsAt }) =>
        clock.format(startsAt),
      )
    expect((await of(STAFF.owner, ROOM))[0]).toBe('10:15')
    expect((await of(STAFF.owner, ROOM)).at(-1)).toBe('12:00')
    expect((await of(STAFF.therapist, demoId('room-stove')))[0]).toBe('11:00')
    // One of the rooms that are free then: the one that is wished for, and another where it is taken.
    const rooms = async (wished: string) =>
      (await places(`staffId=${STAFF.trainee}&wishedRoomId=${wished}`)).map(
        ({ startsAt, roomId }) => `${clock.format(startsAt)} ${roomId === wished}`,
      )
    const wished = await rooms(ROOM)
    expect(new Set(wished).size).toBe(wished.length)
    expect(wished.filter((own) => own.startsWith('09:'))).toEqual(
      ['09:00', '09:15', '09:30', '09:45'].map((own) => `${own} false`),
    )
    expect(wished).toContain('10:15 true')
    // What is booked on a later day takes no place of this one.
    const later = aTuesday()
    const eleven = DateTime.fromISO(`${later}T11:00`, { zone }).toUTC().toISO()
    expect((await add(owner, wanted(later, '', { startsAt: eleven }))).status).toBe(200)
    const both = `from=${day}&days=8&minutes=60&most=2000&staffId=${STAFF.owner}&roomId=${ROOM}`
    const twoTuesdays = (await owner(`/api/places?${both}`)).body as Place[]
    const on = (own: string) =>
      twoTuesdays.filter((place) => place.day === own).map((place) => clock.format(place.startsAt))
    expect(on(day)).toContain('11:00')
    expect(on(later)).not.toContain('11:00')
    // Nobody is in two rooms at once: for this client the hour of their own visit is no place.
    const mine = wanted(day, '09:00').clientId
    const firstOf = async (more: string) => {
      const free = (await owner(`/api/places?${asked}&staffId=${STAFF.trainee}${more}`)).body
      return (free as Place[]).map(({ startsAt }) => clock.format(startsAt))[0]
    }
    expect(await firstOf('')).toBe('09:00')
    expect(await firstOf(`&clientId=${mine}`)).toBe('10:00')
    const [, tuesday] = (await owner(`/api/week?date=${day}`)).body as WeekDay[]
    expect(tuesday).toMatchObject({ day, visits: 1, takenMinutes: 60, openMinutes: 480 })
  })
  it('a house that is shut and somebody away take no visit, until that is taken off', async () => {
    const day = aTuesday()
    const id = randomUUID()
    const away = { id, staffId: STAFF.owner, firstDay: day, lastDay: day, word: 'a course' }
    await keep(null, [])
    expect((await owner('/api/absences', { method: 'POST', body: away })).status).toBe(200)
    expect((await add(owner, wanted(day, '08:00'))).text).toContain('away that day: a course')
    expect((await dayOf(owner, day)).away).toEqual([{ staff: 'Ilse Varga', word: 'a course' }])
    const shut = { ...away, id: randomUUID(), staffId: null, word: 'the feast' }
    await owner('/api/absences', { method: 'POST', body: shut })
    expect((await dayOf(owner, day)).shut).toBe('the feast')
    const hours = (await owner('/api/hours')).body as HoursPage
    for (const own of hours.absences)
      expect((await owner(`/api/absences/${own.id}`, { method: 'DELETE' })).status).toBe(200)
    expect((await add(owner, wanted(day, '08:00'))).status).toBe(200)
  })
})

describe('a course of visits', () => {
  const from = aTuesday()
  let who = ''
  let visitId = ''
  let path = ''
  beforeAll(async () => {
    who = await someone(owner, 'Comes Often')
    const own = wanted(from, '09:00', { clientId: who })
    expect((await add(owner, own)).status).toBe(200)
    visitId = own.id
    path = `/api/visits/${visitId}/course`
  })
  const find = async (count: number, weekCount: number) =>
    (
      await owner(
        `${path}?from=${DateTime.fromISO(from).plus({ weeks: 2 }).toISODate()}&count=${count}&weeks=${weekCount}`,
      )
    ).body as Place[]
  const bookedFor = async (places: readonly Place[]) => {
    const days = await Promise.all(places.map(({ day }) => dayOf(owner, day)))
    return days.flatMap(({ visits }) => visits.filter(({ clientId }) => clientId === who)).length
  }
  const asBody = (places: readonly Place[]) => ({
    places: places.map(({ startsAt, roomId }) => ({
      ...{ id: randomUUID(), roomId },
      startsAt: new Date(startsAt).toISOString(),
    })),
  })
  const send = (body: object) => owner(path, { method: 'POST', body })

  it('is found on the same weekday, so many weeks apart, and booked once however often it is sent', async () => {
    const places = await find(3, 4)
    expect(places).toHaveLength(3)
    const days = places.map(({ day }) => DateTime.fromISO(day))
    expect(new Set(days.map(({ weekday }) => weekday))).toEqual(new Set([2]))
    for (const [at, day] of days.entries())
      if (days[at - 1]) expect(day.diff(days[at - 1] ?? day, 'weeks').weeks).toBe(4)
    const body = asBody(places)
    expect((await send(body)).status).toBe(200)
    expect((await send(body)).status).toBe(200)
    expect(await bookedFor(places)).toBe(3)
  })
  it('is booked whole or not at all', async () => {
    const [taken] = await find(2, 1)
    const free = await find(2, 5)
    if (!taken) throw new Error('no place')
    expect((await send(asBody([taken]))).status).toBe(200)
    const before = await bookedFor(free)
    const refused = await send(asBody([...free, taken]))
    expect(refused.status).toBe(409)
    expect(refused.text).toContain('taken')
    expect(await bookedFor(free)).toBe(before)
  })
  it('lies ahead', async () => {
    const over = { id: randomUUID(), roomId: ROOM, startsAt: '2020-01-07T09:00:00Z' }
    expect((await send({ places: [over] })).status).toBe(422)
  })
})
