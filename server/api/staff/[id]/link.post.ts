import { passwordAgain } from '#contracts/people'
import { staffLink } from '#contracts/replies/house'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { askAgain } from '../../../services/staff/askAgain'
import { linkFor } from '../../../services/staff/staffing'

export default route(
  { does: 'staff.link', body: passwordAgain, reply: staffLink },
  async ({ me, id, body }) => {
    ownerOnly(me)
    await askAgain(me, body, 'No link was made.')
    const link = await linkFor(me, id)
    return link
  },
)
