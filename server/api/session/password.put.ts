import { passwordPut } from '#contracts/house'
import { route } from '../../http/route'
import { changePassword } from '../../services/staff/staffing'

export default route(
  { does: 'session.password', body: passwordPut },
  async ({ event, me, body }) => {
    await changePassword(event, me, body.now, body.next)
    return { ok: true }
  },
)
