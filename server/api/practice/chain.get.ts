import { chainQuery } from '#contracts/practice'
import { chainStep } from '#contracts/replies/practice'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { verifyChainStep } from '../../services/chain'

export default route({ query: chainQuery, reply: chainStep }, ({ me, query }) => {
  ownerOnly(me)
  return verifyChainStep(query.after)
})
