import { stocktakePost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { takeStock } from '../services/stock'

export default route({ body: stocktakePost }, async ({ me, body }) => {
  keepsShelf(me)
  const done = await takeStock(me, body)
  await writeAudit(me, 'lot.count', true, null)
  return done
})
