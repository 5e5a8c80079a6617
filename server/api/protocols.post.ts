import { protocolPost } from '#contracts/method'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { notTrainee } from '../http/owner'
import { keepProtocol } from '../services/house/method'

export default route(
  { does: 'house.protocol', body: protocolPost, reply: ok },
  async ({ me, body }) => {
    notTrainee(me)
    await keepProtocol(me, body)
  },
)
