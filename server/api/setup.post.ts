import { setupPost } from '#contracts/house'
import { ok } from '#contracts/replies/common'
import { route } from '../http/route'
import { beginHouse } from '../services/house/firstHour'
import { about } from '../services/auditing'
import { signIn } from '../services/session/signIn'

export default route(
  { does: 'house.begin', who: 'anyone', body: setupPost, reply: ok },
  async ({ event, body }) => {
    const branch = await beginHouse(body)
    const { email, password } = body
    const { me } = await signIn(event, { email, password, branch })
    about({ staff: me, branch })
  },
)
