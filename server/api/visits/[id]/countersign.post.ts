import { countersignPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { countersign } from '../../../services/visits/planning'

export default route(
  { does: 'visit.countersign', body: countersignPost, reply: ok },
  async ({ me, id, body }) => {
    await countersign(me, await visitFor(me, id, 'countersign'), body)
  },
)
