import { lotPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { receiveLot } from '../services/stock'

export default route({ body: lotPost }, async ({ me, body }) => {
  keepsShelf(me)
  await receiveLot(me, body)
  await writeAudit(me, 'lot.receive', true, null)
  return { ok: true }
})
