import { nothing } from '#contracts/visit'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { writeAudit } from '../../../services/access'
import { linkFor } from '../../../services/staffing'

export default route({ body: nothing }, async ({ me, id }) => {
  ownerOnly(me)
  const link = await linkFor(me, id)
  await writeAudit(me, 'staff.link', true, null)
  return link
})
