import { shelfQuery } from '#contracts/shelf'
import { route } from '../http/route'
import { listShelf } from '../services/shelf/shelfList'

export default route({ query: shelfQuery }, ({ query }) => listShelf(query))
