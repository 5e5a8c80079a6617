import { meReply } from '#contracts/replies/people'
import { route } from '../http/route'
import { severalBranches } from '../services/branches'
import { thePractice } from '../services/practice'
import { isLocked, meOf } from '../services/session/session'

export default route({ who: 'locked', reply: meReply }, async ({ event, me }) =>
  meOf(me, await isLocked(event), await thePractice(), await severalBranches()),
)
