import { linkPost } from '#contracts/visit'
import { linkReply } from '#contracts/replies/visit'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { makeLink } from '../../../services/visits/clientLink'

export default route(
  { does: 'visit.link', body: linkPost, reply: linkReply },
  async ({ me, id, body }) => makeLink(me, await visitFor(me, id, 'write', 'visit.link'), body.id),
)
