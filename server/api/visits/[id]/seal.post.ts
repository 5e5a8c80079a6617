import { sealPost } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { sealVisit } from '../../../services/visits/records'

export default route({ does: 'visit.seal', body: sealPost }, async ({ me, id, body }) => {
  await sealVisit(me, await visitFor(me, id, 'seal'), body)
  return { ok: true }
})
