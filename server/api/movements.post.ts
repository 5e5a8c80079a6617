import { movementPost } from '#contracts/shelf'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { moveLot } from '../services/shelf/stock'

export default route({ does: 'lot.move', body: movementPost, reply: ok }, async ({ me, body }) => {
  keepsShelf(me)
  await moveLot(me, body)
})
