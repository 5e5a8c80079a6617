import { earned } from '#contracts/replies/money'
import { earnedQuery } from '#contracts/money'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { earnedIn } from '../../services/money/money'

export default route({ query: earnedQuery, reply: earned }, ({ me, query }) => {
  ownerOnly(me)
  return earnedIn(query.month)
})
