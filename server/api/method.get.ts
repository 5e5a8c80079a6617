import { route } from '../http/route'
import { readMethod } from '../services/house/method'

export default route({}, ({ me }) => readMethod(me))
