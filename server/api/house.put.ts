import { practicePut } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { changeHouse } from '../services/house/house'

export default route(
  { does: 'house.change', body: practicePut, reply: ok },
  async ({ me, body }) => {
    ownerOnly(me)
    await changeHouse(me, body)
  },
)
