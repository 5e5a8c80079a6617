import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { endSessions } from '../../services/session/session'

export default route({ does: 'session.revoke', body: nothing }, async ({ me }) => {
  await endSessions(me.id)
  return { ok: true }
})
