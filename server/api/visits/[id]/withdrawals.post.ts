import { withdrawalPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { takeBack } from '../../../services/visits/care'

export default route(
  { does: 'consent.withdraw', body: withdrawalPost, reply: ok },
  async ({ me, id, body }) => {
    await takeBack(me, await visitFor(me, id, 'write', 'consent.withdraw'), body)
  },
)
