import { joinPost } from '#contracts/house'
import { joinReply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { hasFactor } from '../../services/session/secondFactor'
import { signIn } from '../../services/session/signIn'
import { join } from '../../services/staff/staffing'

export default route(
  { does: 'staff.join', who: 'anyone', body: joinPost, reply: joinReply },
  async ({ event, body }) => {
    const person = await join(event, body.token, body.password)
    // A second factor is asked for at the door, as always.
    if (hasFactor(person)) return { signedIn: false }
    await signIn(event, { email: person.email, password: body.password })
    return { signedIn: true }
  },
)
