import { setupOpen } from '#contracts/branches'
import { firstHourOpened } from '#contracts/replies/people'
import { route } from '../../http/route'
import { opensFirstHour } from '../../services/house/firstHour'

export default route(
  {
    quiet: 'opening a link uses nothing up',
    who: 'anyone',
    body: setupOpen,
    reply: firstHourOpened,
  },
  async ({ body }) => ({ open: await opensFirstHour(body.key) }),
)
