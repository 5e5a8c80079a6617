import { openingsPut } from '#contracts/hours'
import { ok } from '#contracts/replies/common'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { keepOpenings } from '../services/house/hours'

export default route(
  { does: 'house.hours', body: openingsPut, reply: ok },
  async ({ me, body }) => {
    ownerOnly(me)
    await keepOpenings(body)
  },
)
