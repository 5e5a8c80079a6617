import { joinPost } from '#contracts/house'
import { route } from '../../http/route'
import { signIn } from '../../services/signIn'
import { join } from '../../services/staffing'

export default route({ who: 'anyone', body: joinPost }, async ({ event, body }) => {
  const email = await join(event, body.token, body.password)
  await signIn(event, { email: email, password: body.password })
  return { ok: true }
})
