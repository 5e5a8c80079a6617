import { nothing } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { countersign } from '../../../services/planning'

export default route({ body: nothing }, async ({ me, id }) => {
  await countersign(me, await visitFor(me, id, 'countersign'))
  return { ok: true }
})
