import { productsPost } from '#contracts/shelf'
import { keepsShelf } from '../../http/owner'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { takeProducts } from '../../services/stock'

const BODY_BYTES = 8_000_000

export default route({ body: productsPost, bodyLimit: BODY_BYTES }, async ({ me, body }) => {
  keepsShelf(me)
  const done = await takeProducts(body)
  await writeAudit(me, 'product.import', true, null)
  return done
})
