import { unlock as schema } from '#contracts/people'
import { lockReply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { unlock } from '../../services/session/signIn'

export default route(
  { does: 'session.unlock', who: 'locked', body: schema, reply: lockReply },
  async ({ event, me, body }) => {
    await unlock(event, me, body)
    return { locked: false }
  },
)
