import { route } from '../http/route'
import { readMethod } from '../services/method'

export default route({}, ({ me }) => readMethod(me))
