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
    const lookAgain = () => void visit.reload().catch(() => {})
    // Also once the line stands: what was signed before it is not said on it.
    for (const word of ['open', 'taps']) stream.addEventListener(word, lookAgain)
  }
  onMounted(() => watch(waits, listen, { immediate: true }))
  onScopeDispose(close)
}
