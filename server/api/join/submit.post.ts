import { joinPost } from '#contracts/house'
import { route } from '../../http/route'
import { hasFactor } from '../../services/secondFactor'
import { signIn } from '../../services/signIn'
import { join } from '../../services/staffing'

export default route(
  { does: 'staff.join', who: 'anyone', body: joinPost },
  async ({ event, body }) => {
    const person = await join(event, body.token, body.password)
    // A second factor is asked for at the door, as always.
    if (hasFactor(person)) return { signedIn: false }
    await signIn(event, { email: person.email, password: body.password })
    return { signedIn: true }
  },
)
