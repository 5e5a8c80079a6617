import { route } from '../http/route'
import { isLocked } from '../services/session'

export default route({ who: 'locked' }, async ({ event, me }) => ({
  id: me.id,
  name: me.name,
  role: me.role,
  locked: await isLocked(event),
  hasCode: me.pinHash !== null,
}))
