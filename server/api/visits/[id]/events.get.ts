import { tapsReply } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { recalledLots } from '../../../services/shelf/recalls'
import { readTaps } from '../../../services/visits/events'

export default route({ reply: tapsReply }, async ({ me, id }) => ({
  events: await readTaps(await visitFor(me, id, 'read')),
  recalled: await recalledLots(),
  now: Date.now(),
}))
