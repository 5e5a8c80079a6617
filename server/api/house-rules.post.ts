import { houseRulePost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { addHouseRule } from '../services/house/policy'

export default route(
  { does: 'house.rule', body: houseRulePost, reply: ok },
  async ({ me, body }) => {
    ownerOnly(me)
    await addHouseRule(me, body)
  },
)
