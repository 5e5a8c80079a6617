import { staffPatch } from '#contracts/house'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { changeStaff } from '../../services/staffing'

export default route({ body: staffPatch }, async ({ me, body, id }) => {
  ownerOnly(me)
  await changeStaff(me, id, body)
  await writeAudit(me, body.active ? 'staff.change' : 'staff.leave', true, null)
  return { ok: true }
})
