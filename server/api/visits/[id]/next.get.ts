import { setResponseHeaders } from 'h3'
import { file } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { nextVisitCalendar } from '../../../services/visits/exchange'

export default route({ reply: file('text/calendar') }, async ({ event, me, id }) => {
  const text = await nextVisitCalendar(await visitFor(me, id, 'read'))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="appointment.ics"',
  })
  return text
})
