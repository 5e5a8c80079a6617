import { ownKindPut } from '#contracts/ownWays'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { keepOwnKind } from '../../services/house/ownWays'

export default route({ does: 'house.own', body: ownKindPut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepOwnKind(me, body)
})
