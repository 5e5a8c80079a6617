import { policyPut } from '#contracts/method'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { decidePolicy } from '../services/house/method'

export default route({ does: 'house.policy', body: policyPut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await decidePolicy(me, body)
})
