import { shelfQuery } from '#contracts/shelf'
import { shelfPage } from '#contracts/replies/shelf'
import { route } from '../http/route'
import { listShelf } from '../services/shelf/shelfList'

export default route({ query: shelfQuery, reply: shelfPage }, ({ query }) => listShelf(query))
