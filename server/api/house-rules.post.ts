import { houseRulePost } from '#contracts/care'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { addHouseRule } from '../services/house/policy'

export default route({ does: 'house.rule', body: houseRulePost }, async ({ me, body }) => {
  ownerOnly(me)
  await addHouseRule(me, body)
  return { ok: true }
})
