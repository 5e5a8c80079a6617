import { stocktakePost } from '#contracts/shelf'
import { stockTaken } from '#contracts/replies/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { takeStock } from '../services/shelf/stock'

export default route(
  { does: 'lot.count', body: stocktakePost, reply: stockTaken },
  async ({ me, body }) => {
    keepsShelf(me)
    const done = await takeStock(me, body)
    return done
  },
)
