import { peopleQuery } from '#contracts/people'
import { route } from '../http/route'
import { listPeople } from '../services/peopleList'

export default route({ query: peopleQuery }, ({ me, query }) => listPeople(me, query))
