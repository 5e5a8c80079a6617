import { productPut } from '#contracts/shelf'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { changeProduct } from '../services/shelf/stock'

export default route(
  { does: 'product.change', body: productPut, reply: ok },
  async ({ me, body }) => {
    keepsShelf(me)
    await changeProduct(body)
  },
)
