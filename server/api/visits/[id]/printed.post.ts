import { nothing } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'

export default route({ does: 'visit.print', body: nothing }, async ({ me, id }) => {
  await visitFor(me, id, 'read', 'visit.print')
  return { ok: true }
})
