import { weekQuery } from '#contracts/day'
import { week } from '#contracts/replies/house'
import { route } from '../http/route'
import { readWeeks } from '../services/day/places'

export default route({ desk: true, query: weekQuery, reply: week }, ({ query: { date, weeks } }) =>
  readWeeks(date, weeks),
)
