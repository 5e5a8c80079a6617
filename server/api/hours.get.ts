import { hoursPage } from '#contracts/replies/house'
import { route } from '../http/route'
import { readHoursNow } from '../services/house/hours'

export default route({ reply: hoursPage }, () => readHoursNow())
