import { setupPost } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { beginHouse } from '../services/house/house'
import { about } from '../services/auditing'
import { signIn } from '../services/session/signIn'

export default route(
  { does: 'house.begin', who: 'anyone', body: setupPost, reply: ok },
  async ({ event, body }) => {
    await beginHouse(body)
    about({ staff: await signIn(event, { email: body.email, password: body.password }) })
  },
)
