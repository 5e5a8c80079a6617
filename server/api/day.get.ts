import { z } from 'zod'
import { day } from '#contracts/common'
import { route } from '../http/route'
import { auditLook, LOOK_MS } from '../services/access'
import { dayIn } from '../services/dates'
import { readDay } from '../services/day/diary'
import { thePractice } from '../services/practice'

const query = z.object({ date: day.optional() })

export default route({ query }, async ({ me, query: { date } }) => {
  await auditLook(me, 'day.look', LOOK_MS.list)
  return readDay(me, date ?? dayIn((await thePractice()).timeZone, Date.now()))
})
