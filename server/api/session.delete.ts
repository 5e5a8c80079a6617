import { route } from '../http/route'
import { signOut } from '../services/session/session'

export default route({ does: 'session.out', who: 'anyone' }, async ({ event }) => {
  await signOut(event)
  return { ok: true }
})
