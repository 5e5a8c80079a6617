import { liftPost } from '#contracts/care'
import { ok } from '#contracts/replies/common'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { setAside } from '../../../services/visits/care'
import { dayIn } from '../../../services/dates'
import { thePractice } from '../../../services/practice'

export default route(
  { does: 'visit.set-aside', body: liftPost, reply: ok },
  async ({ me, id, body }) => {
    const visit = await visitFor(me, id, 'write', 'visit.set-aside')
    await setAside(me, visit, dayIn((await thePractice()).timeZone, visit.startsAt), body)
  },
)
