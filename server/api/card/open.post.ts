import { howOpen } from '#contracts/home'
import { cardReply } from '#contracts/replies/home'
import { route } from '../../http/route'
import { homeLinkHash, openCard } from '../../services/after/homeLinks'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    link: homeLinkHash,
    body: howOpen,
    reply: cardReply,
  },
  ({ event, body }) => openCard(event, body.token),
)
