import { roomPut } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { writeAudit } from '../services/access'
import { keepRoom } from '../services/house'

export default route({ body: roomPut }, async ({ me, body }) => {
  ownerOnly(me)
  await keepRoom(body)
  await writeAudit(me, 'house.room', true, null)
  return { ok: true }
})
