import { passwordAgain } from '#contracts/people'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { askPassword } from '../../../services/session/askPassword'
import { endFactor } from '../../../services/session/secondFactor'

export default route(
  { desk: true, does: 'session.factor-end', body: passwordAgain, reply: ok },
  async ({ me, body }) => {
    await askPassword(me, body.password, 'Nothing was changed.')
    await endFactor(me, body.code)
  },
)
