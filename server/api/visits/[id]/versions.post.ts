import { planVersionPost } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveVersion } from '../../../services/visits/planning'

export default route(
  { does: 'visit.version', body: planVersionPost, reply: ok },
  async ({ me, id, body }) => {
    await saveVersion(me, await visitFor(me, id, 'write'), body.version, body.reason, body.steps)
  },
)
