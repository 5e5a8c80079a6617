import { sayProblem } from '~/composables/useApi'

/** Work that may be refused: it says why in `trouble`, and that it runs in `busy`. */
export function useAttempt() {
  const trouble = ref('')
  /** What was refused, with its fields; null where nothing was. */
  const problem = ref<unknown>(null)
  const busy = ref(false)
  /** @returns whether it went well */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    trouble.value = ''
    problem.value = null
    try {
      await work()
      return true
    } catch (error) {
      trouble.value = sayProblem(error)
      problem.value = error
      return false
    } finally {
      busy.value = false
    }
  }
  return { trouble, problem, busy, attempt }
}
