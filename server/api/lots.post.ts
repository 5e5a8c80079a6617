import { lotPost } from '#contracts/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { receiveLot } from '../services/shelf/stock'

export default route({ does: 'lot.receive', body: lotPost }, async ({ me, body }) => {
  keepsShelf(me)
  await receiveLot(me, body)
  return { ok: true }
})
