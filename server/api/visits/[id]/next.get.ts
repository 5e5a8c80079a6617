import { setResponseHeaders } from 'h3'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { nextVisitCalendar } from '../../../services/visits/exchange'

export default route({}, async ({ event, me, id }) => {
  const text = await nextVisitCalendar(await visitFor(me, id, 'read'))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'attachment; filename="appointment.ics"',
  })
  return text
})
