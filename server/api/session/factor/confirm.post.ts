import { factorCode, type RecoveryCodes } from '#contracts/people'
import { route } from '../../../http/route'
import { confirmFactor } from '../../../services/session/secondFactor'

export default route(
  { does: 'session.factor', who: 'bare', body: factorCode },
  async ({ me, body }) => {
    return { recovery: await confirmFactor(me, body.code) } satisfies RecoveryCodes
  },
)
