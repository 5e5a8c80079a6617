import { productPost } from '#contracts/shelf'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { addProduct } from '../services/shelf/stock'

export default route(
  { does: 'product.add', body: productPost, reply: ok },
  async ({ me, body }) => {
    keepsShelf(me)
    await addProduct(body)
  },
)
