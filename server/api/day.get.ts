import { getQuery } from 'h3'
import { day } from '#contracts/common'
import { fromZod } from '../http/problem'
import { route } from '../http/route'
import { thePractice } from '../services/practice'
import { dayIn } from '../services/dates'
import { readDay } from '../services/diary'

export default route({}, async ({ event }) => {
  const asked = getQuery(event).date
  const parsed = day.safeParse(asked ?? dayIn((await thePractice()).timeZone, Date.now()))
  if (!parsed.success) throw fromZod(parsed.error, { date: asked })
  return readDay(parsed.data)
})
