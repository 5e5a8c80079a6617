import { headLine } from '#contracts/replies/practice'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { signedHeadNow } from '../../services/chain'

export default route({ reply: headLine }, ({ me }) => {
  ownerOnly(me)
  return signedHeadNow()
})
