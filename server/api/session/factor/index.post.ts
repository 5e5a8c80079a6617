import { passwordAgain } from '#contracts/people'
import { route } from '../../../http/route'
import { beginFactor } from '../../../services/session/secondFactor'

export default route(
  { does: 'session.factor', who: 'bare', body: passwordAgain },
  async ({ me, body }) => {
    const begun = await beginFactor(me, body.password)
    return begun
  },
)
