import { productsPost } from '#contracts/shelf'
import { productsTaken } from '#contracts/replies/shelf'
import { keepsShelf } from '../../http/owner'
import { route } from '../../http/route'
import { takeProducts } from '../../services/shelf/stock'

const BODY_BYTES = 8_000_000

export default route(
  { does: 'product.import', body: productsPost, bodyLimit: BODY_BYTES, reply: productsTaken },
  async ({ me, body }) => {
    keepsShelf(me)
    const done = await takeProducts(body)
    return done
  },
)
