import { factorCode } from '#contracts/people'
import { route } from '../../../http/route'
import { writeAudit } from '../../../services/access'
import { confirmFactor } from '../../../services/secondFactor'

export default route({ who: 'bare', body: factorCode }, async ({ me, body }) => {
  await confirmFactor(me, body.code)
  await writeAudit(me, 'session.factor', true, null)
  return { ok: true }
})
