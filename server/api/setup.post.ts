import { setupPost } from '#contracts/house'
import { route } from '../http/route'
import { beginHouse } from '../services/house/house'
import { about } from '../services/auditing'
import { signIn } from '../services/session/signIn'

export default route(
  { does: 'house.begin', who: 'anyone', body: setupPost },
  async ({ event, body }) => {
    await beginHouse(body)
    about({ staff: await signIn(event, { email: body.email, password: body.password }) })
    return { ok: true }
  },
)
