import { passwordAgain } from '#contracts/people'
import { route } from '../../../http/route'
import { writeAudit } from '../../../services/access'
import { beginFactor } from '../../../services/secondFactor'

export default route({ who: 'bare', body: passwordAgain }, async ({ me, body }) => {
  const begun = await beginFactor(me, body.password)
  await writeAudit(me, 'session.factor', true, null)
  return begun
})
