import { liftPost } from '#contracts/care'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { setAside } from '../../../services/visits/care'
import { dayIn } from '../../../services/dates'
import { thePractice } from '../../../services/practice'

export default route({ does: 'visit.set-aside', body: liftPost }, async ({ me, id, body }) => {
  const visit = await visitFor(me, id, 'write', 'visit.set-aside')
  await setAside(me, visit, dayIn((await thePractice()).timeZone, visit.startsAt), body)
  return { ok: true }
})
