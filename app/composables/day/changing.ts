import { DateTime } from 'luxon'
import type { VisitPatch } from '#contracts/visit'
import type { DayPage, DayVisit } from '#contracts/replies/day'
import { clockOfMinute } from '#core/timing/places'
import { clock } from '~/composables/dates'
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
  async function drop(id: string, roomId: string, minute: number) {
    const visit = page.value?.visits.find((own) => own.id === id)
    if (!page.value || visit?.status !== 'booked') return
    const { timeZone, day } = page.value
    const at = DateTime.fromISO(day, { zone: timeZone }).set(clockOfMinute(minute))
    const startsAt = at.toMillis()
    if (startsAt === visit.startsAt && roomId === visit.roomId) return
    const place = (own: { startsAt: number; roomId: string }): Body => ({
      roomId: own.roomId,
      startsAt: new Date(own.startsAt).toISOString(),
    })
    const words = `${visit.client} moved to ${clock(startsAt, timeZone)}.`
    try {
      const now = await put(id, visit.version, place({ startsAt, roomId }))
      done.value = { id, version: now.version, words, back: place(visit) }
    } catch (problem) {
      if (isProblem(problem) && fieldProblem(problem, 'startsAt').length > 0)
        refused(visit, { roomId, time: at.toFormat('HH:mm') }, problem)
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
  return { done, trouble, change, drop, takeBack }
}
