import { ownDevicePut } from '#contracts/ownWays'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { keepOwnDevice } from '../../services/house/ownWays'

export default route({ does: 'house.own', body: ownDevicePut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepOwnDevice(me, body)
})
