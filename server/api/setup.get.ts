import { route } from '../http/route'
import { isUnclaimed } from '../services/house'
import { ownerLinkAt } from '../services/ownerLink'

export default route({ who: 'anyone' }, async () => ({
  open: await isUnclaimed(),
  ownerLinkAt: await ownerLinkAt(),
}))
