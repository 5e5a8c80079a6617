import { recallPost } from '#contracts/shelf'
import { recallReply } from '#contracts/replies/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { recall } from '../services/shelf/recalls'

export default route(
  { does: 'lot.recall', body: recallPost, reply: recallReply },
  async ({ me, body }) => {
    keepsShelf(me)
    const found = await recall(me, body)
    return found
  },
)
