import { staffPatch } from '#contracts/house'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { changeStaff } from '../../services/staff/staffing'

export default route(
  { does: (body) => (body.active ? 'staff.change' : 'staff.leave'), body: staffPatch },
  async ({ me, body, id }) => {
    ownerOnly(me)
    await changeStaff(me, id, body)
    return { ok: true }
  },
)
