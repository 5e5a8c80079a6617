import { fileVisitsQuery } from '#contracts/clientFile'
import { fileVisits } from '#contracts/replies/clientFile'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { visitsOf } from '../../../services/people/clientVisits'

export default route({ query: fileVisitsQuery, reply: fileVisits }, async ({ me, id, query }) => {
  const client = await clientFor(me, id, 'client.look')
  return visitsOf(client.id, query.page)
})
