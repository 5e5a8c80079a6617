import { joinOpen } from '#contracts/house'
import { route } from '../../http/route'
import { openJoin } from '../../services/staffing'

export default route({ who: 'anyone', body: joinOpen }, ({ event, body }) =>
  openJoin(event, body.token),
)
