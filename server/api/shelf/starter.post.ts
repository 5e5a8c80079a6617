import { nothing } from '#contracts/visit'
import { starterShelf } from '#contracts/replies/shelf'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { putUpStarterShelf } from '../../services/shelf/stock'

export default route({ does: 'shelf.starter', body: nothing, reply: starterShelf }, ({ me }) => {
  ownerOnly(me)
  return putUpStarterShelf(me)
})
