import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { endSessions } from '../../services/session'

export default route({ body: nothing }, async ({ me }) => {
  await endSessions(me.id)
  await writeAudit(me, 'session.revoke', true, null)
  return { ok: true }
})
