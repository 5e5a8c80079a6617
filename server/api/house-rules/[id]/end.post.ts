import { nothing } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { endHouseRule } from '../../../services/house/policy'

export default route({ does: 'house.rule-end', body: nothing, reply: ok }, async ({ me, id }) => {
  ownerOnly(me)
  await endHouseRule(id)
})
