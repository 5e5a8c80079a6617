import { route } from '../http/route'
import { readHoursNow } from '../services/hours'

export default route({}, () => readHoursNow())
