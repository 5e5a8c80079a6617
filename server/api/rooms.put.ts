import { roomPut } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { keepRoom } from '../services/house/house'

export default route({ does: 'house.room', body: roomPut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepRoom(body)
})
