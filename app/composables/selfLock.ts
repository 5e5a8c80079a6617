import { useIdle, useIntervalFn } from '@vueuse/core'
import { toMilliseconds } from '#core/units'
import { useSession } from '~/stores/session'

const LOOK_MS = 5000

/**
 * A tablet that nobody has touched for the house's minutes locks itself, in reach of the house or
 * not. While a treatment runs on it somebody is in the room, with hands on a face and not on glass:
 * its clocks stay in sight then.
 */
export function useSelfLock(): void {
  const session = useSession()
  const route = useRoute()
  const { lastActive } = useIdle()
  const inTheRoom = () => route.path.endsWith('/treat') && session.treating
  useIntervalFn(() => {
    const { me } = session
    if (!me || me.locked || inTheRoom()) return
    if (Date.now() - lastActive.value >= toMilliseconds(me.lockMinutes)) void session.lock()
  }, LOOK_MS)
}
