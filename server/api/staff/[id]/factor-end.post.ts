import { passwordAgain } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../../../http/owner'
import { route } from '../../../http/route'
import { askAgain } from '../../../services/staff/askAgain'
import { endFactorOf } from '../../../services/staff/staffing'

export default route(
  { does: 'staff.factor-end', body: passwordAgain, reply: ok },
  async ({ me, id, body }) => {
    ownerOnly(me)
    await askAgain(me, body, 'Nothing was changed.')
    await endFactorOf(me, id)
  },
)
