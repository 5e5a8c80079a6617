import { protocolVersionPost } from '#contracts/method'
import { ok } from '#contracts/replies/common'
import { notTrainee } from '../../../http/owner'
import { route } from '../../../http/route'
import { keepVersion } from '../../../services/house/method'

export default route(
  { does: 'house.protocol', body: protocolVersionPost, reply: ok },
  async ({ me, id, body }) => {
    notTrainee(me)
    await keepVersion(me, id, body)
  },
)
