import { setCode as schema } from '#contracts/people'
import { route } from '../../http/route'
import { setCode } from '../../services/session'

export default route({ body: schema }, async ({ me, body }) => {
  await setCode(me, body.code, body.password)
  return { ok: true }
})
