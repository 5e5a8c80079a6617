import { nothing } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../http/route'
import { endSessions } from '../../services/session/session'

export default route(
  { desk: true, does: 'session.revoke', body: nothing, reply: ok },
  async ({ me }) => {
    await endSessions(me.id)
  },
)
