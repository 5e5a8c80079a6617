import { headPost } from '#contracts/practice'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { checkHead } from '../../services/chain'

export default route({ does: 'practice.head', body: headPost }, ({ me, body }) => {
  ownerOnly(me)
  return checkHead(body.line)
})
