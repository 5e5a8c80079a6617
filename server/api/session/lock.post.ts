import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { setLock } from '../../services/session/session'

export default route({ does: 'session.lock', who: 'bare', body: nothing }, async ({ event }) => {
  await setLock(event, true)
  return { locked: true }
})
