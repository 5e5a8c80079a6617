import { dayQuery } from '#contracts/day'
import { dayPage } from '#contracts/replies/day'
import { route } from '../http/route'
import { auditLook, LOOK_MS } from '../services/access'
import { dayIn } from '../services/dates'
import { readDay } from '../services/day/diary'
import { thePractice } from '../services/practice'

export default route(
  { desk: true, query: dayQuery, reply: dayPage },
  async ({ me, query: { date } }) => {
    await auditLook(me, 'day.look', LOOK_MS.list)
    return readDay(me, date ?? dayIn((await thePractice()).timeZone, Date.now()))
  },
)
