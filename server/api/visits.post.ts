import { visitCreate } from '#contracts/visit'
import { route } from '../http/route'
import { addVisit } from '../services/booking'

export default route({ body: visitCreate }, async ({ me, body }) => {
  await addVisit(me, body)
  return { id: body.id }
})
