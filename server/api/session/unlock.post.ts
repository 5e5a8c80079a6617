import { unlock as schema } from '#contracts/people'
import { route } from '../../http/route'
import { unlock } from '../../services/session'

export default route({ who: 'locked', body: schema }, async ({ event, me, body }) => {
  await unlock(event, me, body.code)
  return { locked: false }
})
