import { lotQuery } from '#contracts/shelf'
import { bottleHistory } from '#contracts/replies/shelf'
import { keepsShelf } from '../http/owner'
import { route } from '../http/route'
import { lotHistory } from '../services/shelf/recalls'

export default route({ query: lotQuery, reply: bottleHistory }, ({ me, query }) => {
  keepsShelf(me)
  return lotHistory(me, query.lot)
})
