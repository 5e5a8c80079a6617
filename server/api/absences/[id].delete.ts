import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { dropAbsence } from '../../services/house/hours'

export default route({ does: 'house.absence', reply: ok }, async ({ me, id }) => {
  ownerOnly(me)
  await dropAbsence(id)
})
