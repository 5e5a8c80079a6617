import { joinOpen } from '#contracts/house'
import { joinOpened } from '#contracts/replies/people'
import { route } from '../../http/route'
import { openJoin, staffLinkHash } from '../../services/staff/staffing'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    link: staffLinkHash,
    body: joinOpen,
    reply: joinOpened,
  },
  ({ event, body }) => openJoin(event, body.token),
)
