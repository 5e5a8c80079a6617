import { housePage } from '#contracts/replies/house'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { readHouse } from '../services/house/house'

export default route({ reply: housePage }, ({ me }) => {
  ownerOnly(me)
  return readHouse()
})
