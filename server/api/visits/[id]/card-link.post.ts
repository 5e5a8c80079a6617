import { cardLinkPost } from '#contracts/home'
import { cardLinkReply } from '#contracts/replies/home'
import { route } from '../../../http/route'
import { visitFor } from '../../../services/access'
import { sendCard } from '../../../services/post/outbox'

export default route(
  { does: 'visit.card', body: cardLinkPost, reply: cardLinkReply },
  async ({ me, id, body }) => sendCard(await visitFor(me, id, 'write'), body.send),
)
