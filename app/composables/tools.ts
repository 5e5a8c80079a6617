import type { ToolsPage } from '#contracts/replies/tools'
import { useHouseClock } from './houseClock'
import { useApi } from './useApi'

/** The tools of the house, and a clock beside them that goes on by the house's own time. */
export async function useTools() {
  const api = useApi()
  const { data, error, refresh } = await useAsyncData('tools', () => api<ToolsPage>('/api/tools'))
  const now = useHouseClock(data)
  return { tools: data, error, refresh, now }
}
