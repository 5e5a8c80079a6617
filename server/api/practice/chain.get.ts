import { chainQuery } from '#contracts/practice'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { verifyChainStep } from '../../services/chain'

export default route({ query: chainQuery }, ({ me, query }) => {
  ownerOnly(me)
  return verifyChainStep(query.after)
})
