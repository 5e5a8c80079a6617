import { joinPost } from '#contracts/house'
import { joinReply } from '#contracts/replies/people'
import { route } from '../../http/route'
import { branchHere } from '../../services/branch'
import { hasFactor } from '../../services/session/secondFactor'
import { signIn } from '../../services/session/signIn'
import { join, staffLinkHash } from '../../services/staff/staffing'

export default route(
  { does: 'staff.join', who: 'anyone', link: staffLinkHash, body: joinPost, reply: joinReply },
  async ({ event, body }) => {
    const person = await join(event, body.token, body.password)
    // A second factor is asked for at the door, as always.
    if (hasFactor(person)) return { signedIn: false }
    const { email } = person
    await signIn(event, { email, password: body.password, branch: branchHere() })
    return { signedIn: true }
  },
)
