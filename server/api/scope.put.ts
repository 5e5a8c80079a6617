import { scopePut } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { saveScope } from '../services/house/policy'

export default route({ does: 'house.scope', body: scopePut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await saveScope(body)
})
