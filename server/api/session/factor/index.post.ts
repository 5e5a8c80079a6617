import { passwordAgain } from '#contracts/people'
import { factorBegun } from '#contracts/replies/people'
import { route } from '../../../http/route'
import { beginFactor } from '../../../services/session/secondFactor'

export default route(
  { does: 'session.factor', who: 'bare', body: passwordAgain, reply: factorBegun },
  async ({ me, body }) => {
    const begun = await beginFactor(me, body.password)
    return begun
  },
)
