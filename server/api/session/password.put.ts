import { passwordPut } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { route } from '../../http/route'
import { changePassword } from '../../services/staff/staffing'

export default route(
  { desk: true, does: 'session.password', body: passwordPut, reply: ok },
  async ({ event, me, body }) => {
    await changePassword(event, me, body.now, body.next)
  },
)
