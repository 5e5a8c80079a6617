import { formOpen } from '#contracts/visit'
import { route } from '../../http/route'
import { openForm } from '../../services/visits/clientLink'

export default route(
  { quiet: 'opening a link uses nothing up', who: 'anyone', body: formOpen },
  ({ event, body }) => openForm(event, body.token),
)
