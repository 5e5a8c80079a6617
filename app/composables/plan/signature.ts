import { useVisit } from '~/stores/visit'

/** Whoever looks at a plan that waits for a signature sees it as soon as it is there, or gone again. */
export function useHeardSignature(waits: () => boolean) {
  const visit = useVisit()
  let stream: EventSource | undefined
  function close() {
    stream?.close()
    stream = undefined
  }
  function listen(is: boolean) {
    close()
    const id = visit.bundle?.visit.id
    if (!is || !id) return
    stream = new EventSource(`/api/visits/${id}/stream`)
    stream.addEventListener('taps', () => void visit.reload().catch(() => {}))
  }
  onMounted(() => watch(waits, listen, { immediate: true }))
  onScopeDispose(close)
}
