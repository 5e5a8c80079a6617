import { answeredPost } from '#contracts/home'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { seenTo } from '../../../services/after/checkIns'

export default route(
  { does: 'visit.seen-to', body: answeredPost, reply: ok },
  async ({ me, id, body }) => {
    await seenTo(me, await visitFor(me, id, 'read'), body)
  },
)
