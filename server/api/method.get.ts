import { methodReply } from '#contracts/replies/method'
import { route } from '../http/route'
import { readMethod } from '../services/house/method'

export default route({ reply: methodReply }, ({ me }) => readMethod(me))
