import { practicePut } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { changeHouse } from '../services/house'

export default route({ body: practicePut }, async ({ me, body }) => {
  ownerOnly(me)
  await changeHouse(me, body)
  await writeAudit(me, 'house.change', true, null)
  return { ok: true }
})
