import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { signOut } from '../services/session/session'

export default route({ does: 'session.out', who: 'anyone', reply: ok }, async ({ event }) => {
  await signOut(event)
})
