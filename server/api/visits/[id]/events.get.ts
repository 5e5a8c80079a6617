import { tapsReply } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { heardIn } from '../../../services/visits/heard'

export default route({ reply: tapsReply }, async ({ me, id }) =>
  heardIn(await visitFor(me, id, 'read')),
)
