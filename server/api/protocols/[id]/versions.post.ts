import { protocolVersionPost } from '#contracts/method'
import { notTrainee } from '../../../http/owner'
import { route } from '../../../http/route'
import { keepVersion } from '../../../services/house/method'

export default route(
  { does: 'house.protocol', body: protocolVersionPost },
  async ({ me, id, body }) => {
    notTrainee(me)
    await keepVersion(me, id, body)
    return { ok: true }
  },
)
