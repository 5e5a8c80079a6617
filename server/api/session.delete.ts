import { route } from '../http/route'
import { signOut } from '../services/session'

export default route({ who: 'anyone' }, async ({ event }) => {
  await signOut(event)
  return { ok: true }
})
