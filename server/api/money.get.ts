import { moneyPage } from '#contracts/replies/money'
import { ownerOnly } from '../http/owner'
import { route } from '../http/route'
import { readMoney } from '../services/money/money'

export default route({ reply: moneyPage }, ({ me }) => {
  ownerOnly(me)
  return readMoney()
})
