import { pricePut } from '#contracts/money'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { keepPrice } from '../../services/money/money'

export default route({ does: 'house.price', body: pricePut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepPrice(body)
})
