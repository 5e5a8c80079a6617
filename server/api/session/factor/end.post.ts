import { passwordAgain } from '#contracts/people'
import { route } from '../../../http/route'
import { writeAudit } from '../../../services/access'
import { endFactor } from '../../../services/secondFactor'

export default route({ body: passwordAgain }, async ({ me, body }) => {
  await endFactor(me, body.password)
  await writeAudit(me, 'session.factor-end', true, null)
  return { ok: true }
})
