import { DateTime } from 'luxon'
import type { DayPage } from '#contracts/replies/day'
import { clockOfMinute } from '#core/timing/places'
import { clock } from '~/composables/dates'
import { sayProblem, useApi } from '~/composables/useApi'

/** A visit's place: what is changed when it is dragged, and put back when that is taken back. */
interface PlaceOf {
  id: string
  client: string
  roomId: string
  startsAt: number
}

/** Moving a visit by hand on the day's cloths, with one step back. */
export function useMoving(page: Ref<DayPage | null | undefined>, reload: () => Promise<void>) {
  const api = useApi()
  const moved = ref<{ words: string; before: PlaceOf } | null>(null)
  const trouble = ref('')

  async function put({ id, roomId, startsAt }: PlaceOf): Promise<boolean> {
    trouble.value = ''
    const version = page.value?.visits.find((visit) => visit.id === id)?.version ?? 0
    try {
      const body = { version, roomId, startsAt: new Date(startsAt).toISOString() }
      await api(`/api/visits/${id}`, { method: 'PATCH', body })
      return true
    } catch (error) {
      trouble.value = sayProblem(error)
      return false
    } finally {
      await reload()
    }
  }
  async function drop(id: string, roomId: string, minute: number) {
    const visit = page.value?.visits.find((own) => own.id === id)
    if (!page.value || visit?.status !== 'booked') return
    const { timeZone, day } = page.value
    const startsAt = DateTime.fromISO(day, { zone: timeZone }).set(clockOfMinute(minute)).toMillis()
    if (startsAt === visit.startsAt && roomId === visit.roomId) return
    const { client } = visit
    const before = { id, client, roomId: visit.roomId, startsAt: visit.startsAt }
    if (await put({ id, client, roomId, startsAt }))
      moved.value = { words: `${client} moved to ${clock(startsAt, timeZone)}.`, before }
  }
  async function takeBack() {
    const { before } = moved.value ?? {}
    moved.value = null
    if (before) await put(before)
  }
  return { moved, trouble, drop, takeBack }
}
