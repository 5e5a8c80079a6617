import { fileVisitsQuery } from '#contracts/clientFile'
import { route } from '../../../http/route'
import { clientFor } from '../../../services/access'
import { visitsOf } from '../../../services/people/clientVisits'

export default route({ query: fileVisitsQuery }, async ({ me, id, query }) => {
  const client = await clientFor(me, id, 'client.look')
  return visitsOf(client.id, query.page)
})
