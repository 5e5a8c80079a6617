import { nothing } from '#contracts/visit'
import { lockReply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { setLock } from '../../services/session/session'

export default route(
  { does: 'session.lock', who: 'bare', body: nothing, reply: lockReply },
  async ({ event }) => {
    await setLock(event, true)
    return { locked: true }
  },
)
