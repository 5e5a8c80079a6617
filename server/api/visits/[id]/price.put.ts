import { visitPricePut } from '#contracts/money'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { billVisit } from '../../../services/money/money'

export default route(
  { does: 'visit.price', body: visitPricePut, reply: ok },
  async ({ me, id, body }) => {
    ownerOnly(me)
    await billVisit(me, await visitFor(me, id, 'write'), body.priceId)
  },
)
