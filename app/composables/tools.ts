import type { ToolsPage } from '#contracts/replies/tools'
import { SECOND_MS } from '#core/units'
import { useApi } from './useApi'

/** The tools of the house, and a clock beside them that goes on by the house's own time. */
export async function useTools() {
  const api = useApi()
  const { data, error, refresh } = await useAsyncData('tools', () => api<ToolsPage>('/api/tools'))
  const passed = ref(0)
  let readAt = Date.now()
  watch(data, () => {
    readAt = Date.now()
    passed.value = 0
  })
  let timer: ReturnType<typeof setInterval> | undefined
  onMounted(() => {
    timer = setInterval(() => {
      passed.value = Date.now() - readAt
    }, SECOND_MS)
  })
  onUnmounted(() => {
    clearInterval(timer)
  })
  const now = computed(() => (data.value?.now ?? 0) + passed.value)
  return { tools: data, error, refresh, now }
}
