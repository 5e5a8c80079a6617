import { watchDebounced } from '@vueuse/core'
import { dropRunning, keepRunning } from '~/composables/keep'
import { useSession } from '~/stores/session'
import { useVisit } from '~/stores/visit'

const SETTLE_MS = 400
const MOST_WAIT_MS = 2000

/**
 * While it is treated the visit lies on this device too, locked with the person's key: a reload out
 * of reach of the house goes on with it. It goes with the last tap that the house has.
 */
export function useOnDevice(): void {
  const visit = useVisit()
  const session = useSession()
  watchDebounced(
    () => [visit.bundle, visit.bundle?.events.length, visit.bundle?.plans.length] as const,
    async () => {
      const { bundle, clockOffset } = visit
      const { me } = session
      if (!bundle || !me || me.locked) return
      const { id, status } = bundle.visit
      if (status === 'treating') await keepRunning(id, { bundle, clockOffset, me }).catch(() => {})
      else await dropRunning(id).catch(() => {})
    },
    { immediate: true, debounce: SETTLE_MS, maxWait: MOST_WAIT_MS },
  )
}
