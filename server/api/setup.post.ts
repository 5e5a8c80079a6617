import { setupPost } from '#contracts/house'
import { route } from '../http/route'
import { beginHouse } from '../services/house'
import { signIn } from '../services/signIn'

export default route({ who: 'anyone', body: setupPost }, async ({ event, body }) => {
  await beginHouse(body)
  await signIn(event, { email: body.email, password: body.password })
  return { ok: true }
})
