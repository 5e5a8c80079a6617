import { movementPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { moveLot } from '../services/stock'

export default route({ body: movementPost }, async ({ me, body }) => {
  keepsShelf(me)
  await moveLot(me, body)
  await writeAudit(me, 'lot.move', true, null)
  return { ok: true }
})
