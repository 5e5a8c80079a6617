import { nothing } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { retireProtocol } from '../../../services/house/method'

export default route({ does: 'house.protocol', body: nothing, reply: ok }, async ({ me, id }) => {
  ownerOnly(me)
  await retireProtocol(id)
})
