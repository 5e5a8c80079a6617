import { devicePut } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { keepDevice } from '../services/house/house'

export default route({ does: 'house.device', body: devicePut, reply: ok }, async ({ me, body }) => {
  ownerOnly(me)
  await keepDevice(body)
})
