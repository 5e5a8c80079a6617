import { joinOpen } from '#contracts/house'
import { route } from '../../http/route'
import { openJoin } from '../../services/staff/staffing'

export default route(
  { quiet: 'opening a link uses nothing up', who: 'anyone', body: joinOpen },
  ({ event, body }) => openJoin(event, body.token),
)
