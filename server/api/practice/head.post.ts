import { headPost } from '#contracts/practice'
import { headCheck } from '#contracts/replies/practice'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { checkHead } from '../../services/chain'

export default route(
  { does: 'practice.head', body: headPost, reply: headCheck },
  ({ me, body }) => {
    ownerOnly(me)
    return checkHead(body.line)
  },
)
