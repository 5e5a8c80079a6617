import { peopleQuery } from '#contracts/people'
import { peoplePage } from '#contracts/replies/people'
import { route } from '../http/route'
import { auditLook, LOOK_MS } from '../services/access'
import { listPeople } from '../services/people/peopleList'

export default route(
  { desk: true, query: peopleQuery, reply: peoplePage },
  async ({ me, query }) => {
    if (query.q === '') await auditLook(me, 'people.list', LOOK_MS.list)
    else await auditLook(me, 'people.search', LOOK_MS.search)
    return listPeople(me, query)
  },
)
