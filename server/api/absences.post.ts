import { absencePost } from '#contracts/hours'
import { made } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { addAbsence } from '../services/house/hours'

export default route(
  { does: 'house.absence', body: absencePost, reply: made },
  async ({ me, body }) => {
    ownerOnly(me)
    await addAbsence(body)
    return { id: body.id }
  },
)
