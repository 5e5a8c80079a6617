import { DateTime } from 'luxon'
import type { VisitPatch } from '#contracts/visit'
import type { DayPage, DayVisit } from '#contracts/replies/day'
import { clockOfMinute } from '#core/timing/places'
import { clock, dayAndClock } from '~/composables/dates'
import { fieldProblem, isProblem, sayProblem, useApi } from '~/composables/useApi'

type Body = Omit<VisitPatch, 'version'>
/** A change of a booking: what it does, what is said of it, and what puts it back. */
export interface VisitChange {
  body: Body
  words: string
  back: Body
}
/** A place on a room's cloth: where a visit is booked, or was dropped. */
export interface Wish {
  roomId: string
  time: string
  /** Another day than the one that is shown. */
  day?: string
}

/** Changes of a day's visits, made on the cards by hand: each with one step back. */
export function useChanging(
  page: Ref<DayPage | null | undefined>,
  reload: () => Promise<void>,
  /** Where a place was refused: it can be booked there for a reason, or elsewhere. */
  refused: (visit: DayVisit, wish: Wish, problem: unknown) => void,
) {
  const api = useApi()
  const done = ref<{ id: string; version: number; words: string; back: Body } | null>(null)
  const trouble = ref('')

  async function put(id: string, version: number, body: Body) {
    trouble.value = ''
    try {
      return await api<{ version: number }>(`/api/visits/${id}`, {
        method: 'PATCH',
        body: { version, ...body },
      })
    } finally {
      await reload()
    }
  }
  async function change({ id, version }: DayVisit, { body, words, back }: VisitChange) {
    try {
      const now = await put(id, version, body)
      done.value = { id, version: now.version, words, back }
    } catch (problem) {
      trouble.value = sayProblem(problem)
    }
  }
  const booked = (id: string) =>
    page.value?.visits.find((own) => own.id === id && own.status === 'booked')
  async function drop(id: string, roomId: string, minute: number) {
    const visit = booked(id)
    if (!page.value || !visit) return
    const { timeZone, day } = page.value
    await place(visit, roomId, DateTime.fromISO(day, { zone: timeZone }).set(clockOfMinute(minute)))
  }
  /** To another day, at the same hour by the clock on the wall. */
  async function dropOnDay(id: string, day: string) {
    const visit = booked(id)
    if (!page.value || !visit) return
    const zone = page.value.timeZone
    const { hour, minute } = DateTime.fromMillis(visit.startsAt, { zone })
    await place(visit, visit.roomId, DateTime.fromISO(day, { zone }).set({ hour, minute }))
  }
  async function place(visit: DayVisit, roomId: string, at: DateTime) {
    if (!page.value) return
    const { timeZone, day } = page.value
    const startsAt = at.toMillis()
    if (startsAt === visit.startsAt && roomId === visit.roomId) return
    const bodyOf = (own: { startsAt: number; roomId: string }): Body => ({
      roomId: own.roomId,
      startsAt: new Date(own.startsAt).toISOString(),
    })
    const when = at.toISODate() === day ? clock : dayAndClock
    const words = `${visit.client} moved to ${when(startsAt, timeZone)}.`
    try {
      const now = await put(visit.id, visit.version, bodyOf({ startsAt, roomId }))
      done.value = { id: visit.id, version: now.version, words, back: bodyOf(visit) }
    } catch (problem) {
      if (isProblem(problem) && fieldProblem(problem, 'startsAt').length > 0)
        refused(visit, { roomId, time: at.toFormat('HH:mm'), day: at.toISODate() ?? day }, problem)
      else trouble.value = sayProblem(problem)
    }
  }
  async function takeBack(own: { id: string; version: number; back: Body } | null = done.value) {
    done.value = null
    if (!own) return
    try {
      await put(own.id, own.version, own.back)
    } catch (problem) {
      trouble.value = sayProblem(problem)
    }
  }
  return { done, trouble, change, drop, dropOnDay, takeBack }
}
