import { sealPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { sealVisit } from '../../../services/visits/records'

export default route(
  { does: 'visit.seal', body: sealPost, reply: ok },
  async ({ me, id, body }) => {
    await sealVisit(me, await visitFor(me, id, 'seal'), body)
  },
)
