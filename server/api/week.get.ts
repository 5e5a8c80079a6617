import { z } from 'zod'
import { day } from '#contracts/common'
import { route } from '../http/route'
import { readWeek } from '../services/day/places'

export default route({ query: z.strictObject({ date: day }) }, ({ query: { date } }) =>
  readWeek(date),
)
