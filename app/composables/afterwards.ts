import type { HomeReply } from '#contracts/replies/home'
import { useAttempt } from '~/composables/attempt'
import { useApi } from '~/composables/useApi'
import { useVisit } from '~/stores/visit'

/** What lies after a visit: read apart from the visit itself, by the two pages that show it. */
export async function useAfterwards() {
  const visit = useVisit()
  const api = useApi()
  const { trouble, busy, attempt } = useAttempt()
  const id = computed(() => visit.bundle?.visit.id ?? '')
  const { data, error, refresh } = await useAsyncData(
    () => `after-${id.value}`,
    () => api<HomeReply>(`/api/visits/${id.value}/home`),
    { watch: [id] },
  )
  /** Sends something of it and reads it anew. @returns whether it went well */
  const send = (path: string, body: object) =>
    attempt(async () => {
      await visit.send(path, 'POST', body)
      await refresh()
    })
  return { after: data, error, trouble, busy, attempt, send, refresh }
}
