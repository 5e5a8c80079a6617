import { scopePut } from '#contracts/care'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { saveScope } from '../services/house/policy'

export default route({ does: 'house.scope', body: scopePut }, async ({ me, body }) => {
  ownerOnly(me)
  await saveScope(body)
  return { ok: true }
})
