import { signIn as schema } from '#contracts/people'
import { meReply } from '#contracts/replies/people'
import { route } from '../http/route'
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
    const me = await signIn(event, body)
    return meOf(me, false, await thePractice())
  },
)
