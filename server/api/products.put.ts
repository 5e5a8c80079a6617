import { productPut } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { changeProduct } from '../services/stock'

export default route({ body: productPut }, async ({ me, body }) => {
  keepsShelf(me)
  await changeProduct(body)
  await writeAudit(me, 'product.change', true, null)
  return { ok: true }
})
