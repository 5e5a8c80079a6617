import { setupReply } from '#contracts/replies/people'
import { route } from '../http/route'
import { isUnclaimed } from '../services/house/firstHour'
import { ownerLinkAt } from '../services/staff/ownerLink'

export default route({ who: 'anyone', reply: setupReply }, async () => ({
  open: await isUnclaimed(),
  ownerLinkAt: await ownerLinkAt(),
}))
