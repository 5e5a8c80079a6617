import { ownWayPut } from '#contracts/ownWays'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { keepOwnWay } from '../../services/house/ownWays'

export default route({ does: 'house.own', body: ownWayPut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepOwnWay(me, body)
})
