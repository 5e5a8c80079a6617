import { visitCreate } from '#contracts/visit'
import { made } from '#contracts/replies/common'
import { route } from '../http/route'
import { addVisit } from '../services/visits/booking'

export default route(
  { desk: true, does: 'visit.book', body: visitCreate, reply: made },
  async ({ me, body }) => {
    await addVisit(me, body)
    return { id: body.id }
  },
)
