import { lotPut } from '#contracts/shelf'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { copyLot } from '../services/shelf/stock'

export default route({ does: 'lot.copy', body: lotPut, reply: ok }, async ({ me, body }) => {
  keepsShelf(me)
  await copyLot(body)
})
