import { halvesPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveHalves } from '../../../services/visits/care'

export default route(
  { does: 'visit.halves', body: halvesPost, reply: ok },
  async ({ me, id, body }) => {
    await saveHalves(me, await visitFor(me, id, 'write'), body)
  },
)
