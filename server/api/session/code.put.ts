import { setCode as schema } from '#contracts/people'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { setCode } from '../../services/signIn'

export default route({ body: schema }, async ({ me, body }) => {
  await setCode(me, body.code, body.password)
  await writeAudit(me, 'session.code', true, null)
  return { ok: true }
})
