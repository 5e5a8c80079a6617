import { visitCreate } from '#contracts/visit'
import { route } from '../http/route'
import { addVisit } from '../services/visits/booking'

export default route({ does: 'visit.book', body: visitCreate }, async ({ me, body }) => {
  await addVisit(me, body)
  return { id: body.id }
})
