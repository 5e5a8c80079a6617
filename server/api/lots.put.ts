import { lotPut } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { copyLot } from '../services/stock'

export default route({ body: lotPut }, async ({ me, body }) => {
  keepsShelf(me)
  await copyLot(body)
  await writeAudit(me, 'lot.copy', true, null)
  return { ok: true }
})
