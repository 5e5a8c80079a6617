import { z } from 'zod'
import { day } from '#contracts/common'
import { route } from '../http/route'
import { dayIn } from '../services/dates'
import { readDay } from '../services/diary'
import { thePractice } from '../services/practice'

const query = z.object({ date: day.optional() })

export default route({ query }, async ({ query: { date } }) =>
  readDay(date ?? dayIn((await thePractice()).timeZone, Date.now())),
)
