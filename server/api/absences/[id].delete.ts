import { ownerOnly } from '../../http/owner'
import { route } from '../../http/route'
import { writeAudit } from '../../services/access'
import { dropAbsence } from '../../services/hours'

export default route({}, async ({ me, id }) => {
  ownerOnly(me)
  await dropAbsence(id)
  await writeAudit(me, 'house.absence', true, null)
  return { ok: true }
})
