import { signIn as schema } from '#contracts/people'
import { route } from '../http/route'
import { signIn } from '../services/session'

export default route({ who: 'anyone', body: schema }, async ({ event, body }) => {
  const me = await signIn(event, body.email, body.password)
  return { id: me.id, name: me.name, role: me.role, locked: false, hasCode: me.pinHash !== null }
})
