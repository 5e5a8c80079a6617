import { amendmentPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { amend } from '../../../services/visits/records'

export default route(
  { does: 'visit.amend', body: amendmentPost, reply: ok },
  async ({ me, id, body }) => {
    await amend(me, await visitFor(me, id, 'seal'), body)
  },
)
