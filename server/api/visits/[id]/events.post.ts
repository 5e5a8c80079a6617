import { eventsPost } from '#contracts/visit'
import { keptTaps } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { keepTaps } from '../../../services/visits/events'

export default route(
  { quiet: 'each tap is a row with who and when', body: eventsPost, reply: keptTaps },
  async ({ me, id, body }) =>
    keepTaps(me, await visitFor(me, id, 'write'), body.events, body.sentAt),
)
