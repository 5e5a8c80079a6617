import { staffPost } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { takeIn } from '../services/staffing'

export default route({ body: staffPost }, async ({ me, body }) => {
  ownerOnly(me)
  const link = await takeIn(me, body)
  await writeAudit(me, 'staff.add', true, null)
  return link
})
