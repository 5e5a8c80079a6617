import { howOpen } from '#contracts/home'
import { howOpened } from '#contracts/replies/home'
import { route } from '../../http/route'
import { homeLinkHash, openHow } from '../../services/after/homeLinks'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    link: homeLinkHash,
    body: howOpen,
    reply: howOpened,
  },
  ({ event, body }) => openHow(event, body.token),
)
