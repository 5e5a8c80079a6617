import { productPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { addProduct } from '../services/stock'

export default route({ body: productPost }, async ({ me, body }) => {
  keepsShelf(me)
  await addProduct(body)
  await writeAudit(me, 'product.add', true, null)
  return { ok: true }
})
