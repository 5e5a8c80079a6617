import { roomPut } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { keepRoom } from '../services/house/house'

export default route({ does: 'house.room', body: roomPut }, async ({ me, body }) => {
  ownerOnly(me)
  await keepRoom(body)
  return { ok: true }
})
