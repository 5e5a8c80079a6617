import { route } from '../http/route'
import { readHoursNow } from '../services/house/hours'

export default route({}, () => readHoursNow())
