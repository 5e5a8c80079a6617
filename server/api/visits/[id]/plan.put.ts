import { planPut } from '#contracts/visit'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { saveDraft } from '../../../services/visits/planning'

export default route({ does: 'visit.plan', body: planPut, reply: ok }, async ({ me, id, body }) => {
  await saveDraft(me, await visitFor(me, id, 'write'), body)
})
