import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { signedHeadNow } from '../../services/chain'

export default route({}, ({ me }) => {
  ownerOnly(me)
  return signedHeadNow()
})
