import { getQuery } from 'h3'
import { route } from '../http/route'
import { listPeople } from '../services/people'

export default route({}, ({ event, me }) => listPeople(me, String(getQuery(event).q ?? '')))
