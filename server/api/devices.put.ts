import { devicePut } from '#contracts/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { keepDevice } from '../services/house/house'

export default route({ does: 'house.device', body: devicePut }, async ({ me, body }) => {
  ownerOnly(me)
  await keepDevice(body)
  return { ok: true }
})
