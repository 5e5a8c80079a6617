import { setCode as schema } from '#contracts/people'
import { route } from '../../http/route'
import { setCode } from '../../services/session/signIn'

export default route({ does: 'session.code', body: schema }, async ({ me, body }) => {
  await setCode(me, body.code, body.password)
  return { ok: true }
})
