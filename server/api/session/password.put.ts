import { passwordPut } from '#contracts/house'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { changePassword } from '../../services/staffing'

export default route({ body: passwordPut }, async ({ event, me, body }) => {
  await changePassword(event, me, body.now, body.next)
  await writeAudit(me, 'session.password', true, null)
  return { ok: true }
})
