import { signIn as schema } from '#contracts/people'
import { meReply } from '#contracts/replies/people'
import { route } from '../http/route'
import { inBranch } from '../services/branch'
import { severalBranches } from '../services/branches'
import { thePractice } from '../services/practice'
import { meOf } from '../services/session/session'
import { signIn } from '../services/session/signIn'

export default route(
  {
    quiet: 'signing in writes its own lines, refused ones too',
    who: 'anyone',
    body: schema,
    reply: meReply,
  },
  async ({ event, body }) => {
    const { me, branch } = await signIn(event, body)
    const several = await severalBranches()
    return inBranch(branch, async () => meOf(me, false, await thePractice(), several))
  },
)
