import { formOpen } from '#contracts/visit'
import { formOpened } from '#contracts/replies/visit'
import { route } from '../../http/route'
import { clientLinkHash, openForm } from '../../services/visits/clientLink'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    link: clientLinkHash,
    body: formOpen,
    reply: formOpened,
  },
  ({ event, body }) => openForm(event, body.token),
)
