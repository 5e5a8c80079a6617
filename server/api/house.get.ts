import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { readHouse } from '../services/house/house'

export default route({}, ({ me }) => {
  ownerOnly(me)
  return readHouse()
})
