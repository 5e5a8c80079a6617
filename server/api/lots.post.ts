import { lotPost } from '#contracts/shelf'
import { ok } from '#contracts/replies/common'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { receiveLot } from '../services/shelf/stock'

export default route({ does: 'lot.receive', body: lotPost, reply: ok }, async ({ me, body }) => {
  keepsShelf(me)
  await receiveLot(me, body)
})
