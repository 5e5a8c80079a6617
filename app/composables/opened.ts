import type { OpenedPage } from '#contracts/replies/opened'
import type { OpenedKind } from '#core/catalogue/rules/opened'
import { useHouseClock } from './houseClock'
import { useApi } from './useApi'
import { useAttempt } from './attempt'

/** What is opened, mixed, warmed or packed in the house, with a clock beside it by the house's time. */
export function useOpened() {
  const api = useApi()
  const { busy, trouble, problem, attempt } = useAttempt()
  const ready = useAsyncData('opened', () => api<OpenedPage>('/api/opened'))
  const { data, error, refresh } = ready
  const now = useHouseClock(data)
  const open = (
    what: OpenedKind,
    more: { name?: string; hours?: number | null; productId?: string; visitId?: string } = {},
  ) =>
    attempt(async () => {
      await api('/api/opened', {
        method: 'POST',
        body: { id: crypto.randomUUID(), what, ...more },
      })
      await refresh()
    })
  const end = (id: string, how: 'used' | 'thrown' | 'home') =>
    attempt(async () => {
      await api('/api/opened', { method: 'PUT', body: { id, how } })
      await refresh()
    })
  return { opened: data, ready, error, refresh, now, busy, trouble, problem, open, end }
}
