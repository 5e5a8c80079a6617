import { countersignPost } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { countersign } from '../../../services/visits/planning'

export default route(
  { does: 'visit.countersign', body: countersignPost },
  async ({ me, id, body }) => {
    await countersign(me, await visitFor(me, id, 'countersign'), body)
    return { ok: true }
  },
)
