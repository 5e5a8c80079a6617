import { setCode as schema } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { route } from '../../http/route'
import { setCode } from '../../services/session/signIn'

export default route(
  { desk: true, does: 'session.code', body: schema, reply: ok },
  async ({ me, body }) => {
    await setCode(me, body.code, body.password)
  },
)
