import { devicePut } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { keepDevice } from '../services/house'

export default route({ body: devicePut }, async ({ me, body }) => {
  ownerOnly(me)
  await keepDevice(body)
  await writeAudit(me, 'house.device', true, null)
  return { ok: true }
})
