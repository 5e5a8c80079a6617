import { staffPatch } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { changeStaff } from '../../services/staff/staffing'

export default route(
  { does: (body) => (body.active ? 'staff.change' : 'staff.leave'), body: staffPatch, reply: ok },
  async ({ me, body, id }) => {
    ownerOnly(me)
    await changeStaff(me, id, body)
  },
)
