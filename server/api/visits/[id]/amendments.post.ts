import { amendmentPost } from '#contracts/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { amend } from '../../../services/visits/records'

export default route({ does: 'visit.amend', body: amendmentPost }, async ({ me, id, body }) => {
  await amend(me, await visitFor(me, id, 'seal'), body)
  return { ok: true }
})
