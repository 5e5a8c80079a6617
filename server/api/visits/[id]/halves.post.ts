import { halvesPost } from '#contracts/care'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveHalves } from '../../../services/visits/care'

export default route({ does: 'visit.halves', body: halvesPost }, async ({ me, id, body }) => {
  await saveHalves(me, await visitFor(me, id, 'write'), body)
  return { ok: true }
})
