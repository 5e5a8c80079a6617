import { productPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { addProduct } from '../services/shelf/stock'

export default route({ does: 'product.add', body: productPost }, async ({ me, body }) => {
  keepsShelf(me)
  await addProduct(body)
  return { ok: true }
})
