import { lotPut } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { copyLot } from '../services/shelf/stock'

export default route({ does: 'lot.copy', body: lotPut }, async ({ me, body }) => {
  keepsShelf(me)
  await copyLot(body)
  return { ok: true }
})
