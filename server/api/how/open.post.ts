import { howOpen } from '#contracts/home'
import { howOpened } from '#contracts/replies/home'
import { route } from '../../http/route'
import { openHow } from '../../services/after/homeLinks'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    body: howOpen,
    reply: howOpened,
  },
  ({ event, body }) => openHow(event, body.token),
)
