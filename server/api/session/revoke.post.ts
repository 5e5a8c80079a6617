import { nothing } from '#contracts/visit'
import { route } from '../../http/route'
import { revokeAll } from '../../services/session'

export default route({ body: nothing }, async ({ me }) => {
  await revokeAll(me)
  return { ok: true }
})
