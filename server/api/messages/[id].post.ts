import { messageDo } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../http/route'
import { decide, lookThrough } from '../../services/post/outbox'

export default route(
  { does: 'message.decide', body: messageDo, reply: ok },
  async ({ me, id, body }) => {
    await decide(me, id, body.does)
    void lookThrough()
  },
)
