import type { RecoveryCodes } from '#contracts/replies/people'
import { factorCode } from '#contracts/people'
import { recoveryCodes } from '#contracts/replies/people'
import { route } from '../../../http/route'
import { confirmFactor } from '../../../services/session/secondFactor'

export default route(
  { does: 'session.factor', who: 'bare', body: factorCode, reply: recoveryCodes },
  async ({ me, body }) => {
    return { recovery: await confirmFactor(me, body.code) } satisfies RecoveryCodes
  },
)
