import { staffPost } from '#contracts/house'
import { staffLink } from '#contracts/replies/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { takeIn } from '../services/staff/staffing'

export default route(
  { does: 'staff.add', body: staffPost, reply: staffLink },
  async ({ me, body }) => {
    ownerOnly(me)
    const link = await takeIn(me, body)
    return link
  },
)
