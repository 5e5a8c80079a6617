import { weekQuery } from '#contracts/day'
import { route } from '../http/route'
import { readWeek } from '../services/day/places'

export default route({ query: weekQuery }, ({ query: { date } }) => readWeek(date))
