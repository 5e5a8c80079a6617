import { costsPut } from '#contracts/money'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { keepCosts } from '../../services/money/money'

export default route({ does: 'house.costs', body: costsPut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepCosts(body)
})
