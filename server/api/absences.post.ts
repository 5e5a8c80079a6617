import { absencePost } from '#contracts/hours'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { addAbsence } from '../services/hours'

export default route({ body: absencePost }, async ({ me, body }) => {
  ownerOnly(me)
  await addAbsence(body)
  await writeAudit(me, 'house.absence', true, null)
  return { id: body.id }
})
