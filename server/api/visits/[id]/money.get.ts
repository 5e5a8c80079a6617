import { visitMoney } from '#contracts/replies/money'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { moneyOf } from '../../../services/money/money'
import { readBundle } from '../../../services/visits/bundle'

export default route({ reply: visitMoney }, async ({ me, id }) => {
  ownerOnly(me)
  return moneyOf(await readBundle(me, await visitFor(me, id, 'read')))
})
