import { protocolPost } from '#contracts/method'
import { route } from '../http/route'
import { notTrainee } from '../http/owner'
import { keepProtocol } from '../services/house/method'

export default route({ does: 'house.protocol', body: protocolPost }, async ({ me, body }) => {
  notTrainee(me)
  await keepProtocol(me, body)
  return { ok: true }
})
