import { homeReply } from '#contracts/replies/home'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { afterwardsOf } from '../../../services/after/home'

export default route({ reply: homeReply }, async ({ me, id }) =>
  afterwardsOf(await visitFor(me, id, 'read', 'visit.look')),
)
