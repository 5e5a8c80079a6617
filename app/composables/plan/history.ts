import type { Ref } from 'vue'
import type { PlanStep } from '#core/catalogue/techniques/step'

const MOST = 50

/**
 * What a plan was before, for going back and forth.
 * @param put takes a state that is gone back or forth to
 */
export function useHistory(steps: Ref<PlanStep[]>, put: (next: readonly PlanStep[]) => void) {
  const past = shallowRef<PlanStep[][]>([])
  const future = shallowRef<PlanStep[][]>([])

  function clear(): void {
    past.value = []
    future.value = []
  }
  /** A new state: what was undone before it is gone. */
  function set(next: readonly PlanStep[]): void {
    past.value = [...past.value.slice(1 - MOST), steps.value]
    future.value = []
    put(next)
  }
  function undo(): void {
    const last = past.value[past.value.length - 1]
    if (!last) return
    future.value = [steps.value, ...future.value]
    past.value = past.value.slice(0, -1)
    put(last)
  }
  function redo(): void {
    const [next] = future.value
    if (!next) return
    past.value = [...past.value, steps.value]
    future.value = future.value.slice(1)
    put(next)
  }
  return { past, future, clear, set, undo, redo }
}
