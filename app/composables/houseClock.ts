import { SECOND_MS } from '#core/units'

/** The house's own time, as it was when a page was read, going on by the second. */
export function useHouseClock(page: Readonly<Ref<{ now: number } | null | undefined>>) {
  const passed = ref(0)
  let readAt = Date.now()
  watch(page, () => {
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
  return computed(() => (page.value?.now ?? 0) + passed.value)
}
