import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { setLock } from '../../services/session'

export default route({ who: 'bare', body: nothing }, async ({ event, me }) => {
  await setLock(event, true)
  await writeAudit(me, 'session.lock', true, null)
  return { locked: true }
})
